<script lang="ts">
  import { clock } from '../lib/clock.svelte';
  import { between, dayOf } from '../lib/days';
  import { readDay } from '../lib/reading';
  import { plainDay } from '../lib/words';
  import { say } from '../lib/say';

  /**
   * A day, entered as it is shown (“20 Mar 2027”) or chosen from the system’s calendar; value:
   * YYYY-MM-DD or empty. What can’t be read is said beside it and changes nothing.
   */
  let {
    id,
    value = $bindable(''),
    label,
    title,
    min,
    required = false,
    field = $bindable(),
    onchange,
  }: {
    id?: string;
    value?: string;
    label?: string;
    title?: string;
    min?: string;
    required?: boolean;
    field?: HTMLInputElement;
    onchange?: (day: string) => void;
  } = $props();
  const uid = $props.id();
  let wrong = $state('');
  let calendar = $state<HTMLInputElement>();
  const shown = $derived(value ? plainDay(value) : '');
  $effect(() => field?.setCustomValidity(wrong));

  function read(text: string) {
    const day = text.trim() ? readDay(text, dayOf(clock.now)) : { value: '' };
    const early = 'value' in day && day.value && min && between(min, day.value) < 0;
    wrong = 'wrong' in day ? day.wrong : early ? say.reading.tooEarly(plainDay(min!)) : '';
    if (wrong || !('value' in day) || day.value === value) return restore();
    value = day.value;
    onchange?.(value);
  }
  // The same day in other words is shown as all days are.
  const restore = () => {
    if (!wrong && field) field.value = shown;
  };
</script>

<span class="date relative inline-flex flex-wrap items-center max-w-full">
  <input
    {id}
    class="plain num w-[9rem] pr-6"
    type="text"
    autocomplete="off"
    placeholder={say.reading.dayLike}
    bind:this={field}
    aria-label={label}
    {title}
    {required}
    value={shown}
    aria-invalid={!!wrong}
    aria-describedby={wrong ? `${uid}-wrong` : undefined}
    onchange={(e) => read(e.currentTarget.value)}
  />
  <button
    type="button"
    class="link -ml-6 w-6 no-underline"
    title={say.reading.calendar}
    aria-label={say.reading.calendarOf(label ?? '')}
    onclick={() => calendar?.showPicker()}>▾</button
  >
  <input
    bind:this={calendar}
    class="calendar absolute top-auto right-auto bottom-0 left-0 w-[9rem] h-0 opacity-0
        pointer-events-none"
    type="date"
    tabindex="-1"
    aria-hidden="true"
    {min}
    {value}
    onchange={(e) => read(e.currentTarget.value)}
  />
  {#if wrong}<span class="note wrong basis-full text-madder" id="{uid}-wrong" role="alert"
      >{wrong}</span
    >{/if}
</span>

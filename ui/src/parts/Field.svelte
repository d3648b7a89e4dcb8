<script lang="ts">
  import { Input, Label } from 'flowbite-svelte';
  import { amountIn } from '../lib/reading';
  import DateField from './DateField.svelte';

  /** One labelled input; what else it takes goes to the input itself. */
  let {
    id,
    label,
    value = $bindable(''),
    mono = false,
    type,
    amount,
    ...rest
  }: {
    id: string;
    label: string;
    value: string;
    mono?: boolean;
    required?: boolean;
    type?: string;
    /** It takes an amount in this currency. */
    amount?: string | undefined;
    pattern?: string;
    inputmode?: 'decimal';
    autocomplete?: 'off';
    placeholder?: string;
    minlength?: number;
    maxlength?: number;
  } = $props();
</script>

<div>
  <Label for={id}>{label}</Label>
  {#if type === 'date'}<DateField {id} bind:value required={rest.required ?? false} />
  {:else if amount !== undefined}<Input
      {id}
      class="num"
      inputmode="decimal"
      bind:value
      {...rest as object}
      {@attach amountIn(() => amount)}
    />
  {:else}<Input {id} {type} class={mono ? 'font-mono' : ''} bind:value {...rest as object} />{/if}
</div>

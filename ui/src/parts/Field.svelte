<script lang="ts">
  import { Input, Label } from 'flowbite-svelte';

  /** One labelled input; what else it takes goes to the input itself. */
  let {
    id,
    label,
    value = $bindable(''),
    mono = false,
    ...rest
  }: {
    id: string;
    label: string;
    value: string;
    mono?: boolean;
    required?: boolean;
    type?: string;
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
  <Input {id} class={mono ? 'font-mono' : ''} bind:value {...rest as object} />
</div>

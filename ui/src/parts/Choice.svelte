<script lang="ts">
  import { Label, Select } from 'flowbite-svelte';

  /** One labelled choice among [value, words]. */
  let {
    id,
    label,
    value = $bindable(''),
    of,
  }: {
    id: string;
    label: string;
    value: string;
    of: readonly (readonly [string, string])[];
  } = $props();
</script>

<div>
  <Label for={id}>{label}</Label>
  <Select {id} placeholder="" items={of.map(([v, name]) => ({ value: v, name }))} bind:value />
</div>

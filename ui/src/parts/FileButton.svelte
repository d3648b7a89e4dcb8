<script lang="ts">
  /** Chooses files; looks like the other buttons, and is an input of the browser's all the same. */
  let {
    id,
    label,
    accept,
    multiple = false,
    chosen,
  }: {
    id: string;
    label: string;
    accept: string;
    multiple?: boolean;
    chosen: (files: File[]) => void;
  } = $props();
</script>

<label
  class="file relative inline-block py-1 px-4 bg-raised border border-line rounded-(--radius)
    cursor-pointer"
  for={id}
  >{label}
  <input
    {id}
    class="hidden-words"
    type="file"
    {accept}
    {multiple}
    onchange={(e) => chosen([...(e.currentTarget.files ?? [])])}
  /></label
>

<style>
  .file:focus-within {
    outline: 2px solid var(--focus);
    outline-offset: 2px;
  }
</style>

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

<label class="file" for={id}
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
  .file {
    position: relative;
    display: inline-block;
    padding: 4px 16px;
    background: var(--raised);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    cursor: pointer;
  }
  .file:focus-within {
    outline: 2px solid var(--focus);
    outline-offset: 2px;
  }
</style>

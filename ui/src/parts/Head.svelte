<script lang="ts">
  /** The head of a view: what it is called, and what it answers in one sentence. */
  let { title, answer }: { title: string; answer?: string | undefined } = $props();
</script>

<h1>
  {#if answer}<span class="note title block font-normal">{title}</span><span class="answer block"
      >{answer}</span
    >
  {:else}{title}{/if}
</h1>

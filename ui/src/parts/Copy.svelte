<script lang="ts">
  import { say } from '../lib/say';

  /** A text to take along, with its copy button. */
  let { text, what }: { text: string; what: string } = $props();
  let copied = $state(false);

  async function copy() {
    await navigator.clipboard.writeText(text);
    copied = true;
    setTimeout(() => (copied = false), 4000);
  }
</script>

<span class="mono wrap-anywhere">{text}</span>
<button class="link" type="button" onclick={copy} aria-label={say.copy.copy(what)}
  >{copied ? say.copy.copied : say.copy.copy2}</button
>

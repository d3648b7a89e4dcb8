<script lang="ts">
  import type { NameSheet } from '../../lib/api';
  import { p } from '../../router';
  import Sentence from '../../parts/Sentence.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /** The moves of a name, or the mail about it, newest first. */
  let { sheet, part }: { sheet: NameSheet; part: 'moves' | 'mail' } = $props();
</script>

{#if part === 'moves'}
  <ul class="columned [--cols:minmax(0,5fr)_minmax(0,2fr)_minmax(0,4fr)]">
    {#each sheet.moves as m (m.id)}
      <li>
        <a href={p('/moves/:id', { params: { id: String(m.id) } })}
          >{say.nameSheet.fromTo(m.from, m.to)}</a
        >
        <span>{m.stage}</span>
        <span class="muted"
          >{#if m.result}<Sentence text={m.result} />{:else}{say.nameSheet.started}
            <When at={m.started_at} />{/if}</span
        >
      </li>
    {:else}<li class="muted">{say.nameSheet.historyEmpty}</li>{/each}
  </ul>
{:else}
  <ul class="columned [--cols:minmax(0,5fr)_minmax(0,2fr)_minmax(0,4fr)]">
    {#each sheet.mail as m (m.id)}
      <li>
        <a href="{p('/post')}?message={m.id}">{m.subject}</a>
        <span>{m.kind}{m.trust === 'doubtful' ? say.nameSheet.doubtful : ''}</span>
        <span class="muted"
          >{#if m.at}<When at={m.at} bare />{/if}</span
        >
      </li>
    {:else}<li class="muted">{say.nameSheet.historyEmpty}</li>{/each}
  </ul>
{/if}

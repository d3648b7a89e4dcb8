<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { p } from '../../router';

  /** What is to be done by hand, one card a place instead of one a name. */
  const hands = createQuery(() => ({ queryKey: ['hands'], queryFn: () => ask(api.GET('/api/hands')) }));
  const names = (n: number) => (n === 1 ? '1 name' : `${n} names`);
  const due = $derived(
    (hands.data?.places ?? [])
      .map((place) => {
        const open = place.items.filter((i) => !i.said_at);
        return { place, open, count: new Set(open.map((i) => i.name)).size };
      })
      .filter((g) => g.open.length),
  );
  const consents = $derived(hands.data?.consents?.moves.length ?? 0);
</script>

{#snippet card(sentence: string, more: string, act: string)}
  <article>
    <p class="what">{sentence}</p>
    <p class="muted">{more}</p>
    <div><Button size="sm" href={p('/by-hand')} data-row>{act}</Button></div>
  </article>
{/snippet}

{#if hands.data?.too_long.length}
  {@render card(
    `Turn the privacy service on for ${names(hands.data.too_long.length)}: the consent has ended`,
    `Public longer than the owner consented to: ${hands.data.too_long.slice(0, 5).join(', ')}.`,
    'See what and where',
  )}
{/if}
{#if consents}
  {@render card(
    `Record the owner’s consent for ${names(consents)}`,
    'Their contacts become public while the privacy service is off.',
    'Record it',
  )}
{/if}
{#each hands.data?.overdue ?? [] as l (l.id)}
  {@render card(
    `Remind ${l.recipient}: the letter about ${names(l.names.length)} is late`,
    l.subject,
    'Send a reminder',
  )}
{/each}
{#each due as g (g.place.id)}
  {@render card(
    g.place.letter_for.length
      ? `Write to ${g.place.title} for ${names(g.place.letter_for.length)}`
      : `Do ${g.open.length === 1 ? '1 act' : `${g.open.length} acts`} at ${g.place.title} for ${names(g.count)}`,
    [...new Set(g.open.map((i) => i.title))].slice(0, 3).join('; '),
    g.place.letter_for.length ? 'Write the letter' : 'See what and where',
  )}
{/each}

<style>
  article {
    background: var(--raised);
    border: 1px solid var(--line);
    border-left: 4px solid var(--loden);
    border-radius: var(--radius);
    padding: 0.8rem 0.9rem;
    display: grid;
    gap: 0.4rem;
  }
  .what {
    font-weight: 650;
  }
  p {
    overflow-wrap: anywhere;
  }
</style>

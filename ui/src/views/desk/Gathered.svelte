<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { p } from '../../router';
  import { say } from '../../lib/say';

  /** What is to be done by hand, one card a place instead of one a name. */
  const hands = createQuery(() => ({ queryKey: ['hands'], queryFn: () => ask(api.GET('/api/hands')) }));
  const names = (n: number) => (n === 1 ? '1 name' : say.gathered.names(n));
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
  <article class="box raised">
    <p class="what">{sentence}</p>
    <p class="muted">{more}</p>
    <div><Button size="sm" href={p('/by-hand')} data-row>{act}</Button></div>
  </article>
{/snippet}

{#if hands.data?.too_long.length}
  {@render card(
    say.gathered.turnThePrivacyServiceOn(names(hands.data.too_long.length)),
    say.gathered.publicLongerThanTheOwner(hands.data.too_long.slice(0, 5).join(', ')),
    say.gathered.seeWhatAndWhere,
  )}
{/if}
{#if consents}
  {@render card(
    say.gathered.recordTheOwnersConsentFor(names(consents)),
    say.gathered.theirContactsBecomePublicWhile,
    say.gathered.recordIt,
  )}
{/if}
{#each hands.data?.overdue ?? [] as l (l.id)}
  {@render card(
    say.gathered.remindTheLetterAboutIs(l.recipient, names(l.names.length)),
    l.subject,
    say.gathered.sendAReminder,
  )}
{/each}
{#each due as g (g.place.id)}
  {@render card(
    g.place.letter_for.length
      ? say.gathered.writeToFor(g.place.title, names(g.place.letter_for.length))
      : say.gathered.doAtFor(
          g.open.length === 1 ? '1 act' : say.gathered.acts(g.open.length),
          g.place.title,
          names(g.count),
        ),
    [...new Set(g.open.map((i) => i.title))].slice(0, 3).join('; '),
    g.place.letter_for.length ? say.gathered.writeTheLetter : say.gathered.seeWhatAndWhere,
  )}
{/each}

<style>
  article {
    border-left: 4px solid var(--loden);
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

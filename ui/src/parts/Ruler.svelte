<script lang="ts">
  import type { NameRow } from '../lib/api';
  import { monthsWithin } from '../lib/months';
  import { day } from '../lib/words';
  import { say } from '../lib/say';

  /**
   * A strip of time from `from` on: closed stretches full, soft ones half-high, open ones a line;
   * expiry a flag.
   */
  let {
    row,
    from,
    days,
    large = false,
    at,
  }: {
    row: Pick<NameRow, 'windows' | 'soft' | 'dark' | 'expires_at' | 'latest_safe_start' | 'name'>;
    from: string;
    days: number;
    large?: boolean;
    at?: string;
  } = $props();

  const uid = $props.id();
  const DAY = 86_400_000;
  let width = $state(0);
  const W = $derived(large ? width || 1000 : 220);
  const H = $derived(large ? 64 : 18);
  const base = $derived(large ? 44 : 15);
  const start = $derived(Date.parse(from));
  const x = (t: number) => Math.min(W, Math.max(0, ((t - start) / (days * DAY)) * W));
  const strip = (pair: string[]) => ({ a: x(Date.parse(pair[0]!)), b: x(Date.parse(pair[1]!)) });
  const open = $derived(row.windows.map(strip));
  const soft = $derived(row.soft.map(strip));
  const dark = $derived((row.dark ?? []).map(strip));
  const closed = $derived.by(() => {
    const out: { a: number; b: number }[] = [];
    let edge = 0;
    for (const w of [...open, ...dark].sort((one, other) => one.a - other.a)) {
      if (w.a > edge) out.push({ a: edge, b: w.a });
      edge = Math.max(edge, w.b);
    }
    if (edge < W) out.push({ a: edge, b: W });
    return out;
  });
  const within = (iso: string | null) => {
    if (!iso) return undefined;
    const t = Date.parse(iso);
    return t >= start && t <= start + days * DAY ? x(t) : undefined;
  };
  const expiry = $derived(within(row.expires_at));
  const safe = $derived(large ? within(row.latest_safe_start) : undefined);
  const line = $derived(at ? within(at) : undefined);
  const words = $derived(
    [
      open.length
        ? say.ruler.open(row.windows.map((w) => say.ruler.to(day(w[0]!), day(w[1]!))).join(', '))
        : row.dark?.length
          ? ''
          : say.ruler.windowMissing,
      row.dark?.length
        ? say.ruler.dark(row.dark.map((w) => say.ruler.to(day(w[0]!), day(w[1]!))).join(', '))
        : '',
      row.soft.length
        ? say.ruler.soft(row.soft.map((w) => say.ruler.to(day(w[0]!), day(w[1]!))).join(', '))
        : '',
      row.expires_at ? say.ruler.expires(day(row.expires_at)) : '',
    ]
      .filter(Boolean)
      .join('; '),
  );
  // Labels of months that have room; every line stands.
  const months = $derived.by(() => {
    if (!large) return [];
    let labelled = -99;
    return monthsWithin(from, days).map((month) => {
      const place = month.share * W;
      const room = place - labelled > 44 && place < W - 30;
      if (room) labelled = place;
      return { x: place, label: room ? month.label : '' };
    });
  });
</script>

<div bind:clientWidth={width}>
  <svg
    class="w-full h-4.5 block"
    class:large
    viewBox="0 0 {W} {H}"
    role="img"
    aria-label={words}
    preserveAspectRatio="none"
  >
    <title>{words}</title>
    <defs>
      <pattern
        id="{uid}-closed"
        width="5"
        height="5"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="5" height="5" class="fill-madder-soft" /><path
          d="M0 0V5"
          class="stroke-madder stroke-[1.6]"
        />
      </pattern>
    </defs>
    {#each months as m (m.x)}<path class="stroke-line stroke-1" d="M{m.x} 4V{base}" /><text
        class="text-note fill-muted"
        x={m.x + 3}
        y={H - 6}>{m.label}</text
      >{/each}
    {#each open as o (o.a)}<path
        class="open stroke-loden stroke-3 fill-none"
        d="M{o.a} {base - 2}H{o.b}"
      />{/each}
    {#each soft as s (s.a)}<rect
        class="soft fill-ochre-soft stroke-ochre-fill stroke-[0.8]"
        x={s.a}
        y={base - (large ? 16 : 6)}
        width={s.b - s.a}
        height={large ? 14 : 5}
      />{/each}
    {#each dark as d (d.a)}<path
        class="dark-stretch stroke-ink stroke-[1.6] [stroke-dasharray:1.6_4] fill-none"
        d="M{d.a} {base - 2}H{d.b}"
      />{/each}
    {#each closed as c (c.a)}<rect
        class="closed stroke-madder stroke-[0.8]"
        fill="url(#{uid}-closed)"
        x={c.a}
        y={large ? 8 : 2}
        width={c.b - c.a}
        height={base - (large ? 8 : 2)}
      />{/each}
    {#if safe !== undefined}<path
        class="safe stroke-ink stroke-[1.2] [stroke-dasharray:3_3]"
        d="M{safe} 6V{base + 2}"
      />{/if}
    {#if expiry !== undefined}<path
        class="stroke-ink stroke-[1.4] fill-ink"
        d="M{expiry} {large ? 2 : 0}V{base + 2}m0 {large ? -44 : -17}h{large ? 10 : 5}v{large
          ? 8
          : 4}h{large ? -10 : -5}"
      />{/if}
    <path class="stroke-muted stroke-2" d="M{large ? 1.5 : 1} 0V{base + 2}" />
    {#if line !== undefined}<path class="line" d="M{line} 0V{base + 4}" />{/if}
  </svg>
</div>

<style>
  svg.large {
    height: 64px;
  }
  .line {
    stroke: var(--focus);
    stroke-width: 2.5;
  }
</style>

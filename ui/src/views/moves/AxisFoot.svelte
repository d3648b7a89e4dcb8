<script lang="ts">
  import { picture, png, save, type Block, type Row, type Zoom } from '../../lib/axis';
  import { clock } from '../../lib/clock.svelte';
  import { day } from '../../lib/words';
  import { say } from '../../lib/say';

  /**
   * What the marks of the axis mean, and the whole of it to take along: as SVG, as PNG, on paper.
   */
  let {
    rows,
    zoom,
    idsOf,
    asked,
  }: {
    rows: Row[];
    zoom: Zoom;
    idsOf: (page: number) => number[];
    asked: (ids: number[]) => Promise<{ id: number; blocks: Block[] }[]>;
  } = $props();
  let trouble = $state('');

  async function whole(): Promise<string> {
    const all: [number, Block[]][] = [];
    for (let page = 0; idsOf(page).length; page += 1)
      for (const t of await asked(idsOf(page))) all.push([t.id, t.blocks]);
    return picture(rows, new Map(all), clock.now, zoom, {
      title: say.axis.title,
      mark: (t) => day(new Date(t).toISOString()),
    });
  }
  async function out(how: 'svg' | 'png' | 'print') {
    trouble = '';
    try {
      const svg = await whole();
      if (how === 'svg') save('moves.svg', new Blob([svg], { type: 'image/svg+xml' }));
      else if (how === 'png') save('moves.png', await png(svg));
      else print(svg);
    } catch {
      trouble = say.axis.noPicture;
    }
  }
  let printed = $state('');
  function print(svg: string) {
    printed = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
    requestAnimationFrame(() => window.print());
  }
</script>

<p class="key">
  <span><i class="k past"></i>{say.axis.key.past}</span>
  <span><i class="k range"></i>{say.axis.key.range}</span>
  <span class="out">
    <button onclick={() => void out('svg')}>{say.axis.svg}</button>
    <button onclick={() => void out('png')}>{say.axis.png}</button>
    <button onclick={() => void out('print')}>{say.axis.print}</button>
  </span>
</p>
{#if trouble}<p role="alert">{trouble}</p>{/if}
{#if printed}<img class="printed" src={printed} alt={say.axis.title} />{/if}

<style>
  .key {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    align-items: center;
    margin: 8px 0;
    color: var(--muted);
    font-size: var(--note);
  }
  .k {
    display: inline-block;
    width: 1.4rem;
    height: 0.6rem;
    margin-right: 4px;
    border: 1px dashed var(--muted);
  }
  .k.past {
    background: var(--loden);
    border: 0;
  }
  .k.range {
    height: 0;
    border: 0;
    border-top: 2px solid var(--slate);
    vertical-align: middle;
  }
  .out {
    margin-left: auto;
    display: flex;
    gap: 16px;
  }
  .out button {
    color: var(--loden);
    text-decoration: underline;
    cursor: pointer;
  }
  .printed {
    display: none;
  }
  @media print {
    .key {
      display: none;
    }
    .printed {
      display: block;
      max-width: 100%;
    }
  }
</style>

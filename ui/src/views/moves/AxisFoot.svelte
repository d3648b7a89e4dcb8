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

<p
  class="key flex flex-wrap gap-y-1 gap-x-4 items-center my-2 mx-0 text-muted text-note
    print:hidden"
>
  <span
    ><i class="past inline-block w-[1.4rem] h-[0.6rem] mr-1 bg-loden"></i>{say.axis.key.past}</span
  >
  <span
    ><i class="range inline-block w-[1.4rem] h-0 mr-1 border-t-2 border-t-slate align-middle"
    ></i>{say.axis.key.range}</span
  >
  <span class="ml-auto flex gap-4">
    <button class="text-loden underline cursor-pointer" onclick={() => void out('svg')}
      >{say.axis.svg}</button
    >
    <button class="text-loden underline cursor-pointer" onclick={() => void out('png')}
      >{say.axis.png}</button
    >
    <button class="text-loden underline cursor-pointer" onclick={() => void out('print')}
      >{say.axis.print}</button
    >
  </span>
</p>
{#if trouble}<p role="alert">{trouble}</p>{/if}
{#if printed}<img
    class="hidden print:block print:max-w-full"
    src={printed}
    alt={say.axis.title}
  />{/if}

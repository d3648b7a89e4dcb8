import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig, type Plugin } from 'vite';
import { guide } from './guide-plugin.js';

/** Letters that come too late are used from the next page on: nothing jumps. */
const calm = (): Plugin => ({
  name: 'calm-fonts',
  generateBundle(_, bundle) {
    for (const file of Object.values(bundle))
      if (file.type === 'asset' && file.fileName.endsWith('.css'))
        file.source = String(file.source).replaceAll(
          /font-display:\s*swap/g,
          'font-display:optional',
        );
  },
});

/** One of these paths, wherever packages lie. */
const any = (...paths: string[]) => new RegExp(`[/\\0](?:${paths.join('|')})`);
const KIT = 'flowbite-svelte/dist';
/**
 * Each file is a question to the server, and over a slow line each of them waits: what the first
 * page needs of packages is one file, what the desk's own code shares another, and what lists,
 * buttons and fields of forms need besides a file each.
 */
const GROUPS = [
  {
    name: 'kit',
    test: any(
      'svelte/',
      'preload-helper',
      'esm-env/',
      'clsx/',
      '@tanstack/query-core/',
      '@tanstack/svelte-query/',
      'openapi-fetch/',
      'sv-router/',
    ),
  },
  {
    name: 'common',
    test: any(
      'src/lib/(?:en/(?:parts|value)|api|base|clock|days|dirty|fold|heldup|part|passkeys|say|session|tied|words)\\.',
      'src/parts/(?:More|Notice|Sentence|Trouble|When)\\.',
    ),
  },
  {
    name: 'lists',
    test: any(
      'src/lib/reading',
      'src/parts/(?:ListBesideSheet|Head|Panel|GateMark|Download|May|DateField)\\.',
    ),
  },
  {
    name: 'acts',
    test: any(
      'tailwind-variants/',
      `${KIT}/(?:buttons|spinner|theme|utils|context)`,
      'src/parts/ForGood\\.',
    ),
  },
  { name: 'turns', test: any('src/parts/(?:TurnMark|DeadlineBar)\\.') },
  { name: 'rows', test: any('@tanstack/virtual-core/', '@tanstack/svelte-virtual/') },
  {
    name: 'fields',
    test: any(`${KIT}/forms/(?:label|select|input-field)/`, 'src/parts/(?:Choice|Field)\\.'),
  },
];

export default defineConfig({
  // the desk writes its own path into the page that it serves
  base: './',
  plugins: [calm(), tailwindcss(), svelte(), guide()],
  // bin/dev: the pages from here, with reload; everything else from the desk.
  server: {
    host: '127.0.0.1',
    strictPort: true,
    proxy: { '/api': process.env.STEADY_MOVE_DESK ?? 'http://127.0.0.1:7460' },
  },
  // The kit's components don't contradict their own classes: what sorts that out would be a tenth of the first load.
  resolve: { alias: { 'tailwind-variants': 'tailwind-variants/lite' } },
  build: {
    manifest: 'manifest.json',
    outDir: '../public',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    rolldownOptions: {
      output: { codeSplitting: { groups: GROUPS, includeDependenciesRecursively: false } },
      treeshake: {
        moduleSideEffects: [
          { test: /node_modules\/flowbite-svelte\//, sideEffects: false },
          { test: /src\/lib\/(?:say|en\/\w+)\.ts$/, sideEffects: false },
        ],
      },
    },
  },
});

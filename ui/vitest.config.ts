import { fileURLToPath } from 'node:url';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';
import { guide } from './guide-plugin.js';

const ROUTER = fileURLToPath(new URL('../test/ui/support/router.ts', import.meta.url));

// The tests lie beside the others, in test/ui; bin/prepare links what is installed here to where they look for it.
export default defineConfig({
  plugins: [svelte(), guide()],
  resolve: {
    conditions: ['browser'],
    alias: [{ find: /^(sv-router|(\.\.\/)+router)$/, replacement: ROUTER }],
  },
  server: { fs: { allow: ['..'] } },
  test: {
    dir: '../test/ui',
    environment: 'jsdom',
    // Files share what they load: the views are imported once for all of them.
    isolate: false,
    setupFiles: ['../test/ui/support/setup.ts'],
    env: { TZ: 'UTC' },
  },
});

import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';
import { guide } from './guide-plugin.js';

// The tests lie beside the others, in test/ui; bin/prepare links what is installed here to where they look for it.
export default defineConfig({
  plugins: [svelte(), guide()],
  resolve: { conditions: ['browser'] },
  server: { fs: { allow: ['..'] } },
  test: {
    dir: '../test/ui',
    environment: 'jsdom',
    setupFiles: ['../test/ui/support/setup.ts'],
    env: { TZ: 'UTC' },
  },
});

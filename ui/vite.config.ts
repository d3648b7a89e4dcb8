import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

export default defineConfig({
  // the desk writes its own path into the page that it serves
  base: './',
  plugins: [tailwindcss(), svelte()],
  // bin/dev: the pages from here, with reload; everything else from the desk.
  server: {
    host: '127.0.0.1',
    strictPort: true,
    proxy: { '/api': process.env.STEADY_MOVE_DESK ?? 'http://127.0.0.1:7460' },
  },
  build: {
    outDir: '../public',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    rolldownOptions: {
      treeshake: { moduleSideEffects: [{ test: /node_modules\/flowbite-svelte\//, sideEffects: false }] },
    },
  },
});

import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [tailwindcss(), svelte()],
  build: {
    outDir: '../public',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    rolldownOptions: {
      treeshake: { moduleSideEffects: [{ test: /node_modules\/flowbite-svelte\//, sideEffects: false }] },
    },
  },
});

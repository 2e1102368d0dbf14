import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  // The tests need no manifest, and the plugin that writes it will not run for them on a build machine.
  plugins: [...(process.env['VITEST'] ? [] : [laravel({ input: ['resources/js/main.tsx', 'resources/js/guest.tsx'], refresh: false })]), react(), tailwindcss()],
  build: { chunkSizeWarningLimit: 900 },
  test: { environment: 'jsdom', include: ['resources/js/**/*.test.{ts,tsx}'], setupFiles: ['resources/js/testing.ts'] },
});

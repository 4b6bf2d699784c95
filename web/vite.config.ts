import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  server: {
    proxy: {
      // The host stays the page's own: a write from another origin is refused.
      '/api': { target: process.env.ZEPHYRCOMBE_API ?? 'http://127.0.0.1:4180', changeOrigin: false },
    },
  },
  // The drawing library of the view in the round is one chunk, fetched only when it is asked for.
  build: { target: 'es2022', sourcemap: false, manifest: true, chunkSizeWarningLimit: 600 },
});

import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  resolve: { conditions: ['source', 'module', 'browser', 'development|production'] },
  build: { target: 'es2022', chunkSizeWarningLimit: 900, assetsInlineLimit: 0 },
  worker: { format: 'es' },
  server: {
    proxy: { '/api': 'http://127.0.0.1:4310', '/company': 'http://127.0.0.1:4310', '/stand': 'http://127.0.0.1:4310' },
  },
});

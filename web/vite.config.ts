import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** `npm run dev` proxies the interface's requests to the server that it starts beside Vite. */
const api = process.env.APPLE_CART_API ?? 'http://127.0.0.1:4312';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  server: {
    host: '127.0.0.1',
    proxy: { '/api': { target: api, changeOrigin: true, headers: { origin: api } } },
  },
  worker: { format: 'es' },
  build: { target: 'es2023', assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
});

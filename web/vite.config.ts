import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

/** `npm run dev` proxies the interface's requests to the server that it starts beside Vite. */
const api = process.env.APPLE_CART_API ?? 'http://127.0.0.1:4312';

/** Everything that the first page imports before anything is shown: one file, which compresses best and is asked for once. */
const first = new Set<string>();
const gatherFirst: Plugin = {
  name: 'gather-first',
  apply: 'build',
  buildEnd() {
    const waiting = [...this.getModuleIds()].filter((id) => this.getModuleInfo(id)?.isEntry === true);
    for (let id = waiting.pop(); id !== undefined; id = waiting.pop()) {
      // The core is one face in front of many rooms: the bundler finds out itself which of them are used here.
      if (first.has(id) || /[\\/]core[\\/]src[\\/]/.test(id)) continue;
      first.add(id);
      waiting.push(...(this.getModuleInfo(id)?.importedIds ?? []));
    }
  },
};

export default defineConfig({
  plugins: [react(), tailwindcss(), gatherFirst],
  server: {
    host: '127.0.0.1',
    proxy: { '/api': { target: api, changeOrigin: true, headers: { origin: api } } },
  },
  worker: { format: 'es' },
  build: {
    target: 'es2023',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 700,
    rolldownOptions: {
      output: { codeSplitting: { groups: [{ name: 'first', test: (id: string) => first.has(id) }] } },
    },
  },
});

import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

/** `npm run dev` proxies the interface's requests to the server that it starts beside Vite. */
const api = process.env.APPLE_CART_API ?? 'http://127.0.0.1:4312';

/** The core is one face in front of many rooms: the bundler finds out itself which of them are used where. */
const CORE = /[\\/]core[\\/]src[\\/]/;

/** Everything that the first page imports before anything is shown: one file, which compresses best and is asked for once. */
const first = new Set<string>();
/** What judges the cards of the first page, beside that: the core comes with what uses it. */
const cards = new Set<string>();

const gather: Plugin = {
  name: 'gather',
  apply: 'build',
  buildEnd() {
    const all = [...this.getModuleIds()];
    const reached = (into: Set<string>, from: readonly string[]): void => {
      const waiting = [...from];
      for (let id = waiting.pop(); id !== undefined; id = waiting.pop()) {
        if (first.has(id) || into.has(id) || CORE.test(id)) continue;
        into.add(id);
        waiting.push(...(this.getModuleInfo(id)?.importedIds ?? []));
      }
    };
    reached(
      first,
      all.filter((id) => this.getModuleInfo(id)?.isEntry === true),
    );
    reached(
      cards,
      all.filter((id) => /[\\/]builds[\\/]card-verdict\.tsx$/.test(id)),
    );
  },
};

export default defineConfig({
  plugins: [react(), tailwindcss(), gather],
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
      output: {
        codeSplitting: {
          // A layer takes with it all that it stands on, and stands on earlier layers only: cut finer, by who shares what
          // and how much of it, files come to wait for each other in a ring, and one of them reads what is not there yet.
          groups: [
            { name: 'first', test: (id: string) => first.has(id), priority: 3 },
            { name: 'cards', test: (id: string) => cards.has(id), priority: 2 },
            { name: 'shared', minShareCount: 2, priority: 1 },
          ],
        },
      },
    },
  },
});

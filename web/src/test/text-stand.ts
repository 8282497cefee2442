import { ApiError } from '../state/api.ts';
import { Autosaver } from '../state/autosaver.ts';
import type { Errand, Saving, Unsent } from '../state/saving.ts';

/** A server for one text that answers when it is told to. */
export function stand() {
  const server = {
    version: 1,
    text: 'first',
    kept: [] as string[],
    down: false,
    /** Answers that wait. */
    slow: false,
    waiting: [] as (() => void)[],
    saves: 0,
    /** What arrives is stored, and its answer lost. */
    losesAnswers: false,
    errands: [] as string[],
    refuses: undefined as string | undefined,
    /** Another window has put it away. */
    gone: false,
    /** The browser's store takes what is unsent. */
    holds: true,
    /** What the server answers in place of storing. */
    trouble: undefined as ApiError | undefined,
  };
  const said: Saving<string>[] = [];
  const drafts: (Unsent<string> | undefined)[] = [];
  const lost: string[] = [];
  const reach = async (): Promise<void> => {
    if (server.slow) await new Promise<void>((done) => server.waiting.push(done));
    if (server.down) throw new ApiError(0, 'away');
    if (server.gone) throw new ApiError(410, 'put away');
    if (server.trouble !== undefined) throw server.trouble;
  };
  const saver = new Autosaver<string>(
    { version: 1, document: 'first' },
    {
      save: async ({ baseVersion, document, keepPrevious }) => {
        server.saves += 1;
        await reach();
        if (document === 'refused') throw new ApiError(400, 'No.', []);
        if (baseVersion !== server.version && document !== server.text) {
          const { version, text } = server;
          const current = { id: 'a', version, document: text, createdAt: '', updatedAt: '' };
          throw new ApiError(409, 'changed', [], current);
        }
        // Sent again after its answer was lost: it is stored already.
        if (baseVersion !== server.version) return { version: server.version };
        if (keepPrevious !== undefined) server.kept.push(`${keepPrevious}: ${server.text}`);
        if (document !== server.text) server.version += 1;
        server.text = document;
        if (server.losesAnswers) throw new ApiError(0, 'lost');
        return { version: server.version };
      },
      run: async (errand: Errand<string>) => {
        await reach();
        const words =
          errand.kind === 'keep' ? `${errand.reason} ${errand.name}: ${errand.document}` : 'unpin';
        if (server.refuses !== undefined && words.startsWith(server.refuses))
          throw new ApiError(404, 'Gone.');
        server.errands.push(words);
      },
      draft: (unsent) => {
        drafts.push(unsent);
        return server.holds;
      },
      tell: (saving) => said.push(saving),
      refused: (why, waiting) => lost.push(`${why} ${String(waiting.length)} wait`),
    },
  );
  const state = (): string | undefined => said.at(-1)?.saveState;
  return { server, saver, said, drafts, lost, state, draft: () => drafts.at(-1) };
}

/** A pin of a text. */
export const pin = (document: string, name = 'p'): Errand<string> => ({
  kind: 'keep',
  reason: 'pin',
  name,
  document,
});

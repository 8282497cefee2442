import { saveWords } from './save-words.ts';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ApiError } from './api.ts';
import { Autosaver, NOTHING_TO_SAVE, type Errand, type Saving, type Unsent } from './autosaver.ts';

/** A server for one text that answers when it is told to. */
function stand() {
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

const pin = (document: string, name = 'p'): Errand<string> => ({
  kind: 'keep',
  reason: 'pin',
  name,
  document,
});
const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms);

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

describe('saving by itself', () => {
  it('sends once after a burst of typing, and drops the draft when it is acknowledged', async () => {
    const { server, saver, state, draft } = stand();
    for (const text of ['a', 'ab', 'abc']) saver.edit(text);
    expect(draft()).toMatchObject({ baseVersion: 1, document: 'abc' });
    expect(server.saves).toBe(0);
    await pass(400);
    expect(server).toMatchObject({ saves: 1, text: 'abc' });
    expect(state()).toBe('saved');
    expect(draft()).toBeUndefined();
  });

  it('does not conflict with its own edit while an answer is slow', async () => {
    const { server, saver, state, said } = stand();
    server.slow = true;
    saver.edit('a');
    await pass(400);
    saver.edit('b');
    await pass(2000);
    expect(server.saves).toBe(1);
    saver.edit('c');
    const flushed = saver.flush(true);
    await pass(2000);
    expect(server.saves).toBe(1);
    server.slow = false;
    server.waiting.splice(0).forEach((go) => {
      go();
    });
    await flushed;
    expect(server).toMatchObject({ saves: 2, text: 'c', version: 3 });
    expect(state()).toBe('saved');
    expect(said.some((s) => s.saveState === 'conflict')).toBe(false);
  });

  it('several who ask it to send at once send once', async () => {
    const { server, saver } = stand();
    server.slow = true;
    saver.edit('a');
    const all = [saver.flush(), saver.flush(), saver.flush()];
    await pass(10);
    server.slow = false;
    server.waiting.splice(0).forEach((go) => {
      go();
    });
    await Promise.all(all);
    expect(server.saves).toBe(1);
  });

  it('that is refused says why, holds the draft, and sends the next edit', async () => {
    const { server, saver, said, draft, state } = stand();
    saver.edit('refused');
    await pass(400);
    expect(said.at(-1)).toMatchObject({ saveState: 'refused', refusal: 'No.' });
    expect(draft()).toMatchObject({ document: 'refused' });
    await pass(60_000);
    expect(server.saves).toBe(1);
    saver.edit('mended');
    await pass(400);
    expect(server.text).toBe('mended');
    expect([state(), said.at(-1)?.refusal]).toEqual(['saved', undefined]);
  });
});

describe('a server that is away', () => {
  it('is asked again after longer and longer, and nothing typed meanwhile is lost', async () => {
    const { server, saver, state } = stand();
    server.down = true;
    saver.edit('a');
    await pass(400);
    expect(state()).toBe('offline');
    await pass(60_000);
    // After 1, 2, then every 4 seconds.
    expect(server.saves).toBeLessThanOrEqual(18);
    expect(server.saves).toBeGreaterThanOrEqual(14);
    saver.edit('b');
    server.down = false;
    await pass(400);
    expect(server.text).toBe('b');
    expect(state()).toBe('saved');
  });

  it('that took it in, but whose answer was lost, acknowledges it once more', async () => {
    const { server, saver, state } = stand();
    server.losesAnswers = true;
    saver.edit('a');
    await pass(400);
    expect([state(), server.version]).toEqual(['offline', 2]);
    server.losesAnswers = false;
    await pass(2000);
    expect([state(), server.version]).toEqual(['saved', 2]);
    saver.edit('b');
    await pass(400);
    expect([state(), server.text]).toEqual(['saved', 'b']);
  });

  it('is not asked at all for an edit that was taken back', async () => {
    const { server, saver, state, draft } = stand();
    saver.edit('a');
    saver.edit('first');
    await pass(400);
    expect(server.saves).toBe(0);
    expect([state(), draft()]).toEqual(['saved', undefined]);
  });
});

describe('pins and named versions', () => {
  it('wait in the line behind what was typed before them', async () => {
    const { server, saver, state } = stand();
    saver.edit('a');
    await saver.also(pin('a'));
    expect(server).toMatchObject({ text: 'a', errands: ['pin p: a'] });
    expect(state()).toBe('saved');
  });

  it('are not lost while the server is away: they are sent in order, and stand in the draft until then', async () => {
    const { server, saver, state, draft } = stand();
    server.down = true;
    await saver.also(pin('first', 'one'));
    await saver.also({ kind: 'unpin' });
    await saver.also(pin('first', 'two'));
    expect(state()).toBe('offline');
    expect(draft()?.errands).toHaveLength(3);
    expect(draft()?.edited).toBe(false);
    server.down = false;
    await pass(10_000);
    expect(server.errands).toEqual(['pin one: first', 'unpin', 'pin two: first']);
    expect([state(), draft()]).toEqual(['saved', undefined]);
  });

  it('that the server will not keep are said, and hold nothing up', async () => {
    const { server, saver, lost, state } = stand();
    server.refuses = 'pin bad';
    await saver.also(pin('first', 'bad'));
    await saver.also(pin('first', 'good'));
    expect(lost).toEqual(['Gone. 0 wait']);
    expect(server.errands).toEqual(['pin good: first']);
    expect(state()).toBe('saved');
  });
});

describe('a conflict', () => {
  const conflicted = async () => {
    const all = stand();
    all.server.version = 2;
    all.server.text = 'theirs';
    all.saver.edit('mine');
    await pass(400);
    return all;
  };

  it('waits for a decision and sends nothing meanwhile', async () => {
    const { server, saver, said, draft } = await conflicted();
    expect(said.at(-1)).toMatchObject({ saveState: 'conflict', theirs: { document: 'theirs', version: 2 } });
    saver.edit('mine, more');
    await saver.flush();
    await pass(60_000);
    expect(server).toMatchObject({ saves: 1, text: 'theirs' });
    expect(draft()).toMatchObject({ document: 'mine, more', baseVersion: 1 });
  });

  it('goes on with mine and keeps theirs, also where the server is away when it is settled', async () => {
    const { server, saver, state, draft } = await conflicted();
    server.down = true;
    await saver.resolve('mine');
    expect(state()).toBe('offline');
    expect(draft()).toMatchObject({ document: 'mine', keepPrevious: 'from the other window' });
    server.down = false;
    await pass(5000);
    expect(server).toMatchObject({ text: 'mine', kept: ['from the other window: theirs'] });
    expect(state()).toBe('saved');
  });

  it('takes theirs and keeps mine, also where the server is away when it is settled', async () => {
    const { server, saver, state, draft } = await conflicted();
    server.down = true;
    await saver.resolve('theirs');
    expect(draft()?.errands).toMatchObject([{ reason: 'set-aside', document: 'mine' }]);
    server.down = false;
    await pass(5000);
    expect(server).toMatchObject({
      text: 'theirs',
      errands: ['set-aside from this window, set aside: mine'],
    });
    expect([state(), draft()]).toEqual(['saved', undefined]);
  });
});

describe('a page that has gone', () => {
  it('leaves its draft, which the next page takes up from the version it began from', async () => {
    const { server, saver, draft } = stand();
    server.down = true;
    saver.edit('half');
    await pass(400);
    saver.stop();
    await pass(60_000);
    const left = draft();
    expect(left).toMatchObject({ document: 'half', baseVersion: 1, edited: true });
    const next = stand();
    next.server.version = 5;
    next.server.text = 'theirs';
    if (left !== undefined) next.saver.takeUp(left);
    await pass(400);
    expect(next.state()).toBe('conflict');
  });
});

describe('what a conflict sets aside', () => {
  /** Every moment at which the server may be away while a conflict is settled. */
  it.each(['never', 'when it is settled', 'when the answer comes', 'both'] as const)(
    'is kept as a version, the server away %s',
    async (when) => {
      const { server, saver, state, draft } = stand();
      Object.assign(server, { version: 2, text: 'theirs' });
      saver.edit('mine');
      await pass(400);
      expect(state()).toBe('conflict');
      server.down = when === 'when it is settled' || when === 'both';
      server.losesAnswers = when === 'when the answer comes';
      await saver.resolve('mine');
      expect(draft()).toEqual(
        when === 'never' ? undefined : expect.objectContaining({ keepPrevious: 'from the other window' }),
      );
      if (when === 'both') {
        server.down = false;
        server.losesAnswers = true;
        await pass(5000);
      }
      Object.assign(server, { down: false, losesAnswers: false });
      await pass(9000);
      expect(server).toMatchObject({ text: 'mine', kept: ['from the other window: theirs'] });
      expect(state()).toBe('saved');
      expect(draft()).toBeUndefined();
    },
  );

  it('is kept once where theirs is taken after mine met another conflict', async () => {
    const { server, saver, state } = stand();
    Object.assign(server, { version: 2, text: 'theirs' });
    saver.edit('mine');
    await pass(400);
    server.down = true;
    await saver.resolve('mine');
    Object.assign(server, { down: false, version: 3, text: 'theirs again' });
    await pass(5000);
    expect(state()).toBe('conflict');
    await saver.resolve('theirs');
    expect(server).toMatchObject({ version: 3, text: 'theirs again', kept: [] });
    expect(server.errands).toEqual(['set-aside from this window, set aside: mine']);
  });

  it('of this window is kept too, over a server that is away and a page that crashes', async () => {
    const first = stand();
    Object.assign(first.server, { version: 2, text: 'theirs' });
    first.saver.edit('mine');
    await pass(400);
    first.server.down = true;
    await first.saver.resolve('theirs');
    const left = first.draft();
    first.saver.stop();
    expect(left).toMatchObject({
      document: 'theirs',
      edited: false,
      errands: [{ name: 'from this window, set aside' }],
    });
    const second = stand();
    Object.assign(second.server, { version: 2, text: 'theirs' });
    if (left !== undefined) second.saver.takeUp(left);
    await pass(400);
    expect(second.server.errands).toEqual(['set-aside from this window, set aside: mine']);
    expect(second.draft()).toBeUndefined();
  });
});

describe('a document that another window put away', () => {
  it('is said, whatever is typed waits, and goes on once it is back', async () => {
    const { server, saver, state, draft } = stand();
    server.gone = true;
    saver.edit('a');
    await pass(400);
    expect(state()).toBe('gone');
    saver.edit('ab');
    await pass(20_000);
    expect(server.saves).toBe(1);
    expect(draft()).toMatchObject({ document: 'ab' });
    server.gone = false;
    await saver.broughtBack();
    expect(server.text).toBe('ab');
    expect(state()).toBe('saved');
  });

  it('is said before anything is typed, and forgotten when it comes back', async () => {
    const { saver, state } = stand();
    saver.putAway();
    expect(state()).toBe('gone');
    await saver.broughtBack();
    expect(state()).toBe('saved');
  });

  it('that changed it before is not written over when it is back', async () => {
    const { server, saver, state } = stand();
    Object.assign(server, { gone: true, version: 2, text: 'theirs' });
    saver.edit('mine');
    await pass(400);
    server.gone = false;
    await saver.broughtBack();
    expect(state()).toBe('conflict');
    expect(server.text).toBe('theirs');
  });

  it('keeps a pin waiting that was sent too late', async () => {
    const { server, saver, state } = stand();
    server.gone = true;
    await saver.also(pin('first'));
    expect(state()).toBe('gone');
    server.gone = false;
    await saver.broughtBack();
    expect(server.errands).toEqual(['pin p: first']);
  });
});

describe('leaving the page', () => {
  it('is free while nothing is unsent, and while a request carries what is', async () => {
    const { saver } = stand();
    expect(saver.leavesBehind).toBe(false);
    saver.edit('a');
    expect(saver.leavesBehind).toBe(false);
    await pass(400);
    expect(saver.leavesBehind).toBe(false);
  });

  it.each([
    ['the server is away', { down: true }],
    ['another window changed it', { version: 2, text: 'theirs' }],
    ['another window put it away', { gone: true }],
    ['the browser does not hold it', { holds: false, slow: true }],
  ])('is asked about while %s', async (_why, state) => {
    const { server, saver } = stand();
    Object.assign(server, state);
    saver.edit('a');
    await pass(400);
    expect(saver.leavesBehind).toBe(true);
    saver.stop();
    expect(saver.leavesBehind).toBe(false);
  });

  it('is asked about while something is unsent that no request carries as the page goes', () => {
    const { saver } = stand();
    saver.edit('x'.repeat(70_000));
    expect(saver.leavesBehind).toBe(true);
  });
});

describe('what is said', () => {
  it('is never that the browser holds it when its store is full', async () => {
    const { server, saver, said } = stand();
    server.holds = false;
    server.down = true;
    saver.edit('a');
    await pass(400);
    expect(said.at(-1)).toMatchObject({ saveState: 'offline', held: false });
    expect(saveWords(said.at(-1) ?? NOTHING_TO_SAVE).words).toBe(
      'server away, not kept: leave this page open',
    );
  });

  it('is why the server cannot store it now, in its words, and it is sent again', async () => {
    const { server, saver, said, state } = stand();
    server.trouble = new ApiError(507, 'The disk is full: nothing was stored.');
    saver.edit('a');
    await pass(400);
    const words = saveWords(said.at(-1) ?? NOTHING_TO_SAVE);
    expect(words).toMatchObject({ words: 'server cannot store it, kept here', bad: true });
    expect(words.why).toBe('The disk is full: nothing was stored.');
    server.trouble = undefined;
    await pass(5000);
    expect(state()).toBe('saved');
  });

  it('counts the pins and versions that wait', async () => {
    const { server, saver, said } = stand();
    server.down = true;
    void saver.also(pin('first'));
    await pass(10);
    expect(said.at(-1)).toMatchObject({ errandsWait: 1 });
    server.down = false;
    await pass(5000);
    expect(said.at(-1)).toMatchObject({ errandsWait: 0, saveState: 'saved' });
  });
});

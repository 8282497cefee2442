import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { pin, stand } from '../test/text-stand.ts';
import { ApiError } from './api.ts';
import { saveWords } from './save-words.ts';
import { NOTHING_TO_SAVE } from './saving.ts';

const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms);

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
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

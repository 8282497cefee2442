import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { pin, stand } from '../test/text-stand.ts';

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

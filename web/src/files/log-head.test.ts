import { describe, expect, it } from 'vitest';
import { readLogHead } from './log-head.ts';

const file = (text: string | Uint8Array): Blob => new Blob([text as BlobPart]);

describe('the beginning of a recording', () => {
  it('of a table gives heads, rows and what the columns most likely are', async () => {
    const head = await readLogHead(file('time;speed km/h;volts\n0;18,5;54,1\n1;19;54\n'));
    if (head.kind !== 'table') throw new Error(head.kind);
    expect(head.heads).toEqual(['time', 'speed km/h', 'volts']);
    expect(head.separator).toBe(';');
    expect(head.guess).toMatchObject({ decimal: ',', time: { column: 0, as: 's' } });
    expect(head.guess?.channels.map((c) => c.channel)).toEqual(['speed', 'volts']);
  });

  it('of a track is known by its first mark', async () => {
    expect((await readLogHead(file('  <?xml version="1.0"?><gpx>'))).kind).toBe('track');
  });

  it.each([
    ['nothing', ''],
    ['one column', 'time\n1\n2\n'],
    ['heads alone', 'time,volts\n'],
    ['bytes of nought', new Uint8Array([65, 0, 66, 0])],
    ['another encoding', new Uint8Array([65, 0xe9, 0x2c, 10])],
  ])('of %s is refused in words', async (_, content) => {
    const head = await readLogHead(file(content));
    expect(head.kind).toBe('refused');
  });

  it('that ends in the middle of a letter is read up to there', async () => {
    const text = `time,volts,note\n${'1,50,é\n'.repeat(20_000)}`;
    expect((await readLogHead(file(text))).kind).toBe('table');
  });
});

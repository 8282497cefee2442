import type { Port } from './ports.ts';

/** A half as far as somebody has looked at it: what is only usual accuses nobody, and clears nobody. */
export const asSeen = (half: Port): Port =>
  half.seen
    ? half
    : {
        ...half,
        plug: half.said.plug,
        sex: half.said.sex,
        pins: half.pins.map((p) => ({ ...p, work: 'unknown' })),
      };

/** The component of a half in a word or two. */
const placeOf = ({ key }: Port): string => {
  const [id = ''] = key.split('/');
  return id.startsWith('accessory') ? 'the accessory' : id.replaceAll('-', ' ');
};

/** What is still to be looked at. */
export function unseenWords(open: readonly Port[], pins: readonly number[]): string {
  if (pins.length > 0) return 'The work of some pins is not known.';
  const [one] = open;
  if (open.every((p) => p.seen)) return 'Whether these halves have pins or sockets is not said.';
  return open.length > 1 || one === undefined
    ? 'Nobody has looked at these halves yet: what stands here is the usual.'
    : `Nobody has looked at the half at ${placeOf(one)} yet: what stands there is the usual.`;
}

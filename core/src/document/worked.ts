import type { Known } from './known-build.ts';

/** What has to be read before a value is known: what it rests on where it is worked out, else itself. */
export const unreadOf = (known: Known): readonly Known[] =>
  known.source === 'unknown' ? (known.restsOn ?? [known]) : [];

const originOf = (unread: readonly Known[]): string =>
  `worked from what nobody has read: ${unread.map((k) => k.label.toLowerCase()).join(', ')}`;

/**
 * The known with a value that is always worked out, whatever was entered before. It is as unknown as what it is worked from.
 * @param from what it is worked from
 */
export function workedAlways(known: Known, value: number, from: readonly Known[]): Known {
  const restsOn = from.flatMap(unreadOf);
  return restsOn.length === 0
    ? { ...known, value, source: 'worked', origin: '' }
    : { ...known, value, source: 'unknown', origin: originOf(restsOn), restsOn };
}

/** The same in place of an unknown value only. */
export const worked = (known: Known, value: number, from: readonly Known[]): Known =>
  known.source === 'unknown' ? workedAlways(known, value, from) : known;

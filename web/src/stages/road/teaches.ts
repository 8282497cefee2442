import { phraseText, qty, type Phrase, type RideKind } from '@apple-cart/core';
import { useSettings } from '../../state/settings-store.ts';

interface Lesson {
  readonly why: string;
  readonly how: Phrase;
  /** Values that its recording tells most of. */
  readonly values: string;
}

/** What a kind of ride teaches, and how it is ridden. Common practice, no source. */
export const TEACHES: Readonly<Record<RideKind, Lesson>> = {
  everyday: {
    why: 'whether the plan’s range is yours',
    how: ['As always. Note the wind and what you carried.'],
    values: 'rolling',
  },
  range: {
    why: 'how much charge the pack really holds',
    how: ['From full to the cut-off, or to a quarter; volts at rest before and after.'],
    values: 'capacity',
  },
  hill: {
    why: 'pulling power, and how far the pack sags',
    how: ['The same hill each time, the same run-in; time it from foot to top.'],
    values: 'resistance',
  },
  'top-speed': {
    why: 'the motor’s speed for its volts',
    how: ['Level, both ways, still air; without pedalling.'],
    values: 'Kv, drag',
  },
  heat: {
    why: 'how the motor warms, and cools',
    how: ['A long climb, then stand still for twenty minutes with the logger on.'],
    values: 'heat',
  },
  'coast-down': {
    why: 'drag and rolling by themselves',
    how: ['From ', qty(35, 'km/h', 0), ' let it roll to a crawl, both ways, motor unplugged where it drags.'],
    values: 'drag, rolling',
  },
};

/** How a kind of ride is ridden, in the reader's units. */
export function useHowRidden(): (kind: RideKind) => string {
  const system = useSettings((state) => state.units);
  return (kind) => phraseText(TEACHES[kind].how, system);
}

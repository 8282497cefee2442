import type { State } from '../check/state.ts';
import type { BuildDocument } from '../document/document.ts';
import { withValue } from '../document/quantity-at.ts';
import { wantedLinks } from '../fit/bracket-checks.ts';
import { gearTable } from '../verdict/gearing.ts';
import { study } from '../verdict/study.ts';
import { compare } from './compare.ts';

/** What the machine would be with another ring. */
export interface RingRow {
  readonly teeth: number;
  readonly topKmh: number | undefined;
  readonly hillKmh: number | undefined;
  readonly hillCadence: number | undefined;
  readonly startPct: number;
  /** Speed at the cadence span's ends in the tallest gear. */
  readonly tallestKmh: number;
  readonly links: number;
  readonly chainN: number;
  readonly wear: State;
}

/** The build with each of several rings in turn, all else alike. */
export function ringRows(build: BuildDocument, rings: readonly number[]): readonly RingRow[] {
  const now = study(build);
  return [...new Set(rings)]
    .sort((a, b) => a - b)
    .map((teeth) => {
      const { study: s, is } = compare(withValue(build, 'gearing.ringTeeth', teeth), now);
      const gears = gearTable(s);
      const lowest = gears[0];
      return {
        teeth,
        topKmh: is.topKmh,
        hillKmh: is.hillKmh,
        hillCadence: is.hillCadenceRpm,
        startPct: is.startPct,
        tallestKmh: gears.at(-1)?.kmhAtMax ?? 0,
        links: wantedLinks(s.subject),
        chainN: lowest?.chainN ?? 0,
        wear: lowest?.wear ?? 'unknown',
      };
    });
}

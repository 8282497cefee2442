import type { BuildDocument } from '../document/document.ts';
import type { State } from '../check/state.ts';
import type { PartOf } from '../parts/part.ts';
import { priceIn } from '../parts/price-in.ts';
import { plannedKm } from '../verdict/figures/range-figures.ts';
import { study } from '../verdict/study.ts';
import { sameVolts } from './usual-volts.ts';

/** Two ends of a need: with the rider helping all the way, and with legs that rest. */
interface Span {
  readonly low: number;
  readonly high: number;
}

/** A pack of the shelf against what is asked. */
interface PackFor {
  readonly id: string;
  readonly name: string;
  readonly ah: number;
  readonly wh: number;
  readonly price: number | null;
  /** Enough whatever the legs do; only with their help; or not enough. */
  readonly state: Extract<State, 'fine' | 'look' | 'stop'>;
}

/** How much energy a distance asks of a pack. */
export interface EnergyAsked {
  readonly distanceKm: number;
  readonly volts: number;
  /** By the label, Wh and Ah at the pack's volts; the reserve, age, cold and charging habit are in it. */
  readonly wh: Span;
  readonly ah: Span;
  /** Packs of the shelf at these volts, the smallest first. */
  readonly packs: readonly PackFor[];
}

/**
 * Range turned round: the label's energy that the brief's distance asks, at its speed and with its reserve, in proportion to
 * what the pack in hand does. Undefined for a machine that does not move.
 */
export function energyAsked(build: BuildDocument, packs: readonly PartOf<'pack'>[]): EnergyAsked | undefined {
  const s = study(build);
  const planned = plannedKm(s);
  if (planned === undefined || planned.low <= 0) return undefined;
  const [first] = s.known.packs;
  const labelWh = s.known.packs.reduce((sum, p) => sum + p.nominalV.value * p.capacityAh.value, 0);
  const distanceKm = s.known.brief.distanceKm.value;
  const volts = first.nominalV.value;
  const wh = { low: (labelWh * distanceKm) / planned.high, high: (labelWh * distanceKm) / planned.low };
  const enough = (own: number): PackFor['state'] => {
    if (own < wh.low) return 'stop';
    return own < wh.high ? 'look' : 'fine';
  };
  return {
    distanceKm,
    volts,
    wh,
    ah: { low: wh.low / volts, high: wh.high / volts },
    packs: packs
      .filter((p) => sameVolts(p.nominalV, volts))
      .map((p) => {
        const own = p.nominalV * p.capacityAh;
        return {
          id: p.id,
          name: p.name,
          ah: p.capacityAh,
          wh: own,
          price: priceIn(build, p),
          state: enough(own),
        };
      })
      .sort((a, b) => a.wh - b.wh),
  };
}

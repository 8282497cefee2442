import { knownBuild } from '../document/known.ts';
import { packPath, type BuildDocument, type PackIndex } from '../document/document.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import type { Ride } from '../ride/ride.ts';
import type { Route } from '../route/route.ts';
import { likesFull } from '../power-chain/charging.ts';
import { ridePlan } from './ride-plan.ts';
import { withValue } from '../document/quantity-at.ts';

/** One way of keeping or wearing a pack, and how far it goes. */
export interface RangeCase {
  readonly id: 'full' | 'to-85' | 'middle' | 'winter' | 'old' | 'old-winter' | 'resting';
  readonly label: Phrase;
  readonly km: number;
  readonly ends: Ride['ends'];
  readonly whPerKm: number;
  /** State of charge where it ends, 0 to 1: a hill may end it long before the charge does. */
  readonly left: number;
}

/** A hard frost, and a pack at the end of its good years. Common practice, no source. */
const WINTER_C = -5;
const OLD_PCT = 70;

/** Range on a route, repeated to the end of the charge, by habit, season, age and legs; the reserve is not taken off. */
export function rangeCases(build: BuildDocument, route: Route): readonly RangeCase[] {
  const known = knownBuild(build);
  // What is colder or older already is no better for being looked at.
  const frostC = Math.min(WINTER_C, known.brief.temperatureC.value);
  const oldPct = known.packs.map(({ healthPct }) => Math.min(OLD_PCT, healthPct.value));
  const frost = withValue(build, 'brief.temperatureC', frostC);
  // The hard case: the packs have stood out in it.
  const winter = frost.packs.reduce((one, _, i) => {
    const path = packPath(i as PackIndex);
    return withValue(one, `${path}.startC`, frostC);
  }, frost);
  const aged = (b: BuildDocument): BuildDocument =>
    b.packs.reduce(
      (now, _, i) => withValue(now, `${packPath(i as PackIndex)}.healthPct`, oldPct[i] ?? OLD_PCT),
      b,
    );
  const one = (
    id: RangeCase['id'],
    label: Phrase,
    of: BuildDocument,
    options: { charge?: number; untilCharge?: number },
    legs: 'helping' | 'resting' = 'helping',
  ): RangeCase => {
    const ride = ridePlan(of, route, 'cruise', legs).ride({ again: true, charge: 1, ...options });
    return {
      id,
      label,
      km: ride.metres / 1000,
      ends: ride.ends,
      whPerKm: ride.metres > 0 ? ride.usedWh / (ride.metres / 1000) : 0,
      left: ride.charge,
    };
  };
  return [
    one('full', ['Full to the end'], build, {}),
    // No habit for a pack that is harmed by it.
    ...(build.packs.some((p) => likesFull(p.chemistry))
      ? []
      : [
          one('to-85', ['Charged to 85 %'], build, { charge: 0.85 }),
          one('middle', ['Middle, 80 to 20 %'], build, { charge: 0.8, untilCharge: 0.2 }),
        ]),
    one('resting', ['Legs resting'], build, {}, 'resting'),
    one('winter', ['Stood out in frost, ', qty(frostC, 'C', 0)], winter, {}),
    one('old', ['Old pack, ', qty(Math.min(...oldPct), '%', 0)], aged(build), {}),
    one('old-winter', ['Old pack in frost'], aged(winter), {}),
  ];
}

import type { BuildDocument, QuantityPath } from '../../document/document.ts';
import type { Route } from '../../route/route.ts';
import { rangeBand } from '../../trips/range-band.ts';
import type { RideKind } from '../ride-record.ts';

/** How much a ride would narrow the range. */
export interface WouldTeach {
  readonly kind: RideKind;
  /** Of the band from the least lucky of twenty to the luckiest of twenty, km: as it is, and as it would be. */
  readonly bandKm: number;
  readonly thenKm: number;
  /** The values that it would tell. */
  readonly of: readonly string[];
}

/**
 * How well one ride of a kind tells a value, as a share of it: measured on drawn rides of drawn machines (learn.test.ts), rounded
 * up.
 */
const TELLS: Readonly<Partial<Record<RideKind, Readonly<Partial<Record<QuantityPath, number>>>>>> = {
  'coast-down': { 'donor.cdaM2': 0.09, 'donor.crr': 0.06 },
  everyday: { 'donor.crr': 0.12, 'drive.efficiency': 0.03, 'brief.riderPowerW': 0.1 },
  range: {
    'packs.0.capacityAh': 0.03,
    'packs.0.cell.capacityAh': 0.03,
    'donor.crr': 0.12,
    'packs.0.healthPct': 0.02,
  },
  hill: { 'drive.efficiency': 0.03, 'drive.resistanceOhm': 0.13, 'donor.massKg': 0.02 },
};
const RIDES = 120;
const SEED = 9;

/**
 * Which ride would teach most next: the values that a kind tells are as uncertain then as such a ride leaves them, and the band
 * of the range is so much narrower. Variances add, since the causes are drawn independently (derived).
 */
export function* teachNext(
  build: BuildDocument,
  route: Route,
  done: readonly RideKind[],
): Generator<number, readonly WouldTeach[]> {
  const steps = rangeBand(build, route, RIDES, SEED);
  for (;;) {
    const { done: ended, value } = steps.next();
    if (ended !== true) {
      yield value.done / value.of;
      continue;
    }
    const { band, causes } = value;
    const bandKm = band.p95 - band.p05;
    return (Object.keys(TELLS) as RideKind[])
      .map((kind): WouldTeach => {
        const tells = TELLS[kind] ?? {};
        const told = causes.flatMap((cause) => {
          const share = tells[cause.known.path];
          const own = Math.abs(cause.known.value) > 0 ? cause.deviation / Math.abs(cause.known.value) : 0;
          // What is known better already is not told again; a kind that was ridden has told half of it.
          return share === undefined || own <= share ? [] : [{ cause, left: (share / own) ** 2 }];
        });
        const gone = told.reduce((sum, { cause, left }) => sum + cause.share * (1 - left), 0);
        const again = done.includes(kind) ? 0.5 : 1;
        return {
          kind,
          bandKm,
          thenKm: bandKm * Math.sqrt(Math.max(0, 1 - gone * again)),
          of: told.map(({ cause }) => cause.name),
        };
      })
      .filter((w) => w.thenKm < 0.98 * w.bandKm)
      .sort((a, b) => a.thenKm - b.thenKm);
  }
}

import crateLane from '../../../demo/routes/crate-lane.json' with { type: 'json' };
import marketRun from '../../../demo/routes/market-run.json' with { type: 'json' };
import type { BuildDocument, QuantityPath } from '../document/document.ts';
import { simulatedCoast } from '../instruments/simulated-coast.ts';
import { simulatedLog, type Truth } from '../instruments/simulated-logger.ts';
import { learn, type LearnOutcome } from '../road/learn/learn.ts';
import type { LearnRide } from '../road/learn/learn-ride.ts';
import type { LearntValue } from '../road/learn/learnt.ts';
import { newRide, type RideKind, type RideRecord } from '../road/ride-record.ts';
import { readRoute } from '../route/read-route.ts';
import type { Route } from '../route/route.ts';
import { ended } from './ended.ts';

const roadFrom = (file: unknown): Route => {
  const read = readRoute(file);
  if (!read.ok) throw new Error('the route is broken');
  return read.value;
};
// What the ground is no logger knows: here it is paved.
export const market = { ...roadFrom(marketRun), spans: [] };
const lane = roadFrom(crateLane);
export const ride = (kind: RideKind, more: Partial<RideRecord> = {}): RideRecord =>
  newRide({
    kind,
    on: '2026-03-02',
    planVersion: 1,
    airC: 12,
    windMs: 0,
    pedalled: 'yes',
    who: 'R. Quince',
    simulated: true,
    ...more,
  });
const day = { windMs: 0, windFromDeg: undefined, airC: 12, fault: 'none' } as const;
export const everyday = (build: BuildDocument, truth: Truth, seed: number): LearnRide => ({
  key: `everyday ${String(seed)}`,
  ride: ride('everyday'),
  recording: simulatedLog(build, { ...day, route: market, effort: 'cruise', seed, truth }),
});
export const hill = (build: BuildDocument, truth: Truth, seed: number, standsS = 0): LearnRide => ({
  key: `hill ${String(seed)}`,
  ride: ride(standsS > 0 ? 'heat' : 'hill'),
  recording: simulatedLog(build, { ...day, route: lane, effort: 'full', seed, truth, standsS }),
});
export const coast = (build: BuildDocument, truth: Truth, seed: number): LearnRide => ({
  key: `coast ${String(seed)}`,
  ride: ride('coast-down'),
  recording: simulatedCoast(build, { airC: 12, windMs: 0.4, runs: 6, startKmh: 30, seed, truth }),
});
export const outcome = (build: BuildDocument, rides: readonly LearnRide[]): LearnOutcome =>
  ended(learn(build, rides));
export const of = ({ values }: LearnOutcome, path: QuantityPath): LearntValue => {
  const found = values.find((v) => v.path === path);
  if (found === undefined) throw new Error(`nothing of ${path}`);
  return found;
};

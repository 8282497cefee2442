import {
  newRide,
  analyzeLog,
  rideBeside,
  roadOfRide,
  simulatedCoast,
  simulatedLog,
  simulatedStops,
  withReadings,
  type BuildDocument,
  type Recording,
  type RideReading,
  type RideRecord,
  type RideTold,
  type Route,
} from '@apple-cart/core';
import { DEMO_TRUTH, type RidePlan } from './ride-plans.ts';

/** A ride of the demo as it is shipped: its recording is simulated anew when it is loaded, by the same seed. */
export interface DemoRide {
  readonly build: string;
  readonly key: string;
  readonly ride: RideRecord;
  readonly told: RideTold;
}

/** The wind of the samples comes from the west-south-west, as ever. */
const WIND_FROM = 240;

/** The recording of a ride, as its machine really is. */
export function recordingOfPlan(plan: RidePlan, build: BuildDocument, route: Route | undefined): Recording {
  const { seed, airC, effort, standsS } = plan;
  const truth = DEMO_TRUTH[plan.build] ?? {};
  const windMs = plan.windMs ?? 3;
  if (plan.kind === 'coast-down')
    return simulatedCoast(build, { seed, truth, airC, windMs: 0.3, runs: 10, startKmh: 35 });
  if (route === undefined) throw new Error(`${plan.key} has no road`);
  return simulatedLog(loaded(build, plan.loadKg), {
    route,
    effort,
    seed,
    windMs,
    windFromDeg: WIND_FROM,
    airC,
    truth,
    fault: 'none',
    standsS,
  });
}

const loaded = (build: BuildDocument, loadKg: number | null): BuildDocument =>
  loadKg === null
    ? build
    : { ...build, brief: { ...build.brief, loadMassKg: { source: 'measured', value: loadKg } } };

/** As a display shows it. */
const SHOWN: Readonly<Partial<Record<RideReading, number>>> = {
  distanceKm: 1,
  minutes: 0,
  energyWh: 0,
  topKmh: 1,
};

/** Of a full gauge of the demo. */
const BARS = 5;

/** A ride worked out from its plan: what was read of it, and what the plan of the build says. */
export function madeRide(plan: RidePlan, build: BuildDocument, route: Route | undefined): DemoRide {
  const bare: RideRecord = newRide({
    kind: plan.kind,
    on: plan.on,
    title: plan.title,
    route: plan.route,
    planVersion: 1,
    airC: plan.airC,
    windMs: plan.windMs,
    loadKg: plan.loadKg,
    pedalled: plan.kind === 'top-speed' ? 'no' : 'yes',
    note: plan.note,
    who: plan.who,
    simulated: true,
  });
  const recording = plan.kind === 'top-speed' ? undefined : recordingOfPlan(plan, build, route);
  const full =
    recording === undefined ? { ...bare, topKmh: 24.4 } : withReadings(bare, analyzeLog(recording));
  const read = plan.read;
  const ride =
    read === 'recorded'
      ? full
      : {
          ...bare,
          ...Object.fromEntries(
            read.map((id) => [id, full[id] === null ? null : Number(full[id].toFixed(SHOWN[id] ?? 1))]),
          ),
        };
  const noted =
    recording === undefined || plan.stopsKm === undefined
      ? ride
      : { ...ride, way: simulatedStops(build, recording, plan.stopsKm, BARS), gaugeOf: BARS };
  const road = roadOfRide(noted, route, read === 'recorded' ? recording : undefined);
  const steps = rideBeside(build, noted, road, true);
  for (;;) {
    const { done, value } = steps.next();
    if (done === true)
      return { build: plan.build, key: plan.key, ride: noted, told: { ...value.told, planVersion: 1 } };
  }
}

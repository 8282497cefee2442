import { readFileSync } from 'node:fs';
import {
  TURNING_KG,
  assemble,
  drawnRoute,
  elevationAt,
  evenHill,
  gradeOf,
  operatingPoint,
  profileOf,
  rangeBand,
  readBuildText,
  readGpx,
  readRoute,
  ridePlan,
  roadForce,
  routeFromPositions,
  routeLengthM,
  supplyAt,
  type BuildDocument,
  type Machine,
  type Pace,
  type Route,
} from '@apple-cart/core';
import { line, median } from './measure.ts';

/** odex, Hairer's extrapolation code (registry), as it is used here; a plain string keeps its own types out. */
interface Odex {
  readonly Solver: new (equations: number) => {
    relativeTolerance: number;
    absoluteTolerance: number;
    solve(
      derivative: (x: number, y: readonly number[]) => number[],
      from: number,
      initial: readonly number[],
      to: number,
    ): { readonly y: readonly number[] };
  };
}
const ODEX: string = 'odex';
const { Solver } = (await import(ODEX)) as Odex;

const read = (path: string): string => readFileSync(new URL(`../demo/${path}`, import.meta.url), 'utf8');
const buildAt = (file: string): BuildDocument => {
  const build = readBuildText(read(`builds/${file}.json`));
  if (!build.ok) throw new Error(file);
  return build.value;
};
const lanes = (): Route => {
  const route = readRoute(JSON.parse(read('routes/orchard-lanes.json')));
  if (!route.ok) throw new Error('orchard-lanes');
  return route.value;
};

/** Time of one call, ms, the median of some. */
function time(work: () => unknown, rounds: number): number {
  for (let i = 0; i < 20; i += 1) work();
  return median(
    Array.from({ length: rounds }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
}

/** A pack that lasts for any distance: the ride is timed, not the charge. */
const lasting = (build: BuildDocument): BuildDocument => ({
  ...build,
  packs: [{ ...build.packs[0], capacityAh: { source: 'assumed', value: 400 } }],
});

/** The lanes round and round for so many km. */
const around = (km: number): Route => {
  const route = lanes();
  return { ...route, times: Math.round((km * 1000) / routeLengthM(route)) };
};

const wh = (ms: number): string => `${ms.toFixed(1)} ms`;

/** 100 km over lanes with stops, and how much of it the short steps are for. */
function benchRides(): void {
  const longtail = buildAt('0412-orchard-longtail');
  const eleven: BuildDocument = {
    ...longtail,
    gearing: {
      ...longtail.gearing,
      cogTeeth: [42, 37, 32, 28, 24, 21, 18, 16, 14, 12, 11],
      heldCogTeeth: null,
    },
  };
  // A light rider on the trike's motor: with its load the lanes are too steep for it.
  const trike = buildAt('0421-tide-flat-trike');
  const hub: BuildDocument = {
    ...trike,
    brief: {
      ...trike.brief,
      riderMassKg: { source: 'measured', value: 60 },
      loadMassKg: { source: 'measured', value: 0 },
      headwindMs: { source: 'measured', value: 0 },
      riderPowerW: { source: 'measured', value: 150 },
    },
    donor: { ...trike.donor, massKg: { source: 'measured', value: 16 } },
  };
  for (const [name, build, wished] of [
    ['geared hub', hub, 30],
    ['direct-drive hub', buildAt('0417-choir-tandem'), 30],
    ['mid-drive, 11 cogs', eleven, 80],
  ] as const) {
    const plan = ridePlan(lasting(build), around(100), 'cruise');
    const usual = plan.ride();
    const fine = plan.ride({ step: 0.02 });
    const ms = time(() => plan.ride(), 9);
    const error = 100 * Math.abs(usual.usedWh / fine.usedWh - 1);
    line(
      `ride ${(usual.metres / 1000).toFixed(0)} km, ${name}`,
      wh(ms),
      `under ${String(wished)} ms`,
      `${((1000 * ms) / usual.steps).toFixed(2)} us a step; ${error.toFixed(3)} % from ${(fine.steps / usual.steps).toFixed(0)} times the steps`,
    );
  }
}

const ROLLING = drawnRoute(
  'Rolling',
  profileOf(
    Array.from({ length: 30 }, (_, i) => ({
      lengthM: 100,
      gradePct: 5 * Math.sin(i * 1.3),
      bearingDeg: null,
    })),
    100,
  ),
);

/** How fast the solver's rider settles on the speed wished for, s: short enough to ride the same ride. */
const SETTLE_S = 0.3;

/**
 * The ride as a general-purpose solver takes it: distance, speed, charge and energy over time. The rider gathers speed
 * as fast as is comfortable, holds what is wished for as far as the motor can, and rolls where it goes by itself.
 */
function solvedRide(
  machine: Machine,
  pace: Pace,
  [v0, charge]: readonly [number, number],
  seconds: number,
  tolerance: number,
): readonly number[] {
  const [gear] = machine.gears;
  if (gear === undefined) throw new Error('no gear');
  const { profile } = ROLLING;
  const mass = machine.road.massKg + TURNING_KG;
  const { pack, motor, circuitOhm, limits } = machine;
  const capacityAs = pack.capacityAh * pack.health * 3600;
  const solver = new Solver(4);
  solver.relativeTolerance = tolerance;
  solver.absoluteTolerance = tolerance;
  const piece = (x: number): number => Math.min(29, Math.max(0, Math.floor(x / 100)));
  const grade = profile.slice(1).map((p, i) => gradeOf(100, p.elevationM - (profile[i]?.elevationM ?? 0)));
  return solver.solve(
    (_t: number, [x = 0, v = 0, q = 0]: readonly number[]) => {
      const supply = supplyAt(pack, q);
      const load = roadForce(machine.road, v, grade[piece(x)] ?? 0);
      const wanted = mass * Math.min(pace.accelerate, (pace.cruise - v) / SETTLE_S) + load;
      const force = Math.max(
        0,
        Math.min(wanted, operatingPoint(machine, gear, supply, Math.max(0, v)).forceN),
      );
      const omega = gear.motorRatio * v;
      const torque = force / (gear.motorRatio * machine.efficiency);
      const amps = force === 0 ? 0 : (torque + motor.hysteresisNm + motor.eddyNms * omega) / motor.kt;
      const motorW = amps === 0 ? 0 : (motor.kt * omega + 0.3 + circuitOhm * amps) * amps;
      const watts = motorW + limits.standbyW;
      const batteryA =
        (2 * watts) / (supply.openVolts + Math.sqrt(supply.openVolts ** 2 - 4 * supply.ohm * watts));
      return [v, (force - load) / mass, -batteryA / capacityAs, watts];
    },
    0,
    [0, v0, charge, 0],
    seconds,
  ).y;
}

/** The same ride by both, at equal error, each against its own fine solution. */
function benchAgainstSolver(): void {
  const build = buildAt('0421-tide-flat-trike');
  const measured = (value: number) => ({ source: 'measured', value }) as const;
  const still: BuildDocument = {
    ...build,
    brief: {
      ...build.brief,
      riderMassKg: measured(60),
      loadMassKg: measured(0),
      riderPowerW: measured(0),
      headwindMs: measured(0),
      temperatureC: measured(25),
      cruiseSpeedKmh: measured(18),
      descentKmh: measured(100),
    },
    donor: { ...build.donor, massKg: measured(16) },
    // A motor that does not warm, so that both solve the very same.
    drive: { ...build.drive, windingHeatJK: measured(50_000), coupleWK: measured(0.05) },
    packs: [{ ...build.packs[0], chemistry: 'nmc' }],
    controls: { ...build.controls, throttle: 'full' },
  };
  const machine = assemble(still);
  const plan = ridePlan(still, ROLLING, 'cruise');
  const begin = [4, 0.8] as const;
  const options = { charge: begin[1], speed: begin[0], warmth: { windingC: 60, shellC: 60 } } as const;
  const ours = plan.ride(options);
  const fine = plan.ride({ ...options, step: 0.005 });
  const own = Math.abs(ours.usedWh / fine.usedWh - 1);
  const energyAt = (tolerance: number): number =>
    solvedRide(machine, plan.pace, begin, fine.seconds, tolerance)[3] ?? 0;
  const reference = energyAt(1e-10);
  const agree = 100 * Math.abs(reference / 3600 / fine.usedWh - 1);
  if (!(agree < 1)) throw new Error(`the two rides differ by ${agree.toFixed(2)} %`);
  const tolerance = [-1, -1.5, -2, -2.5, -3, -3.5, -4, -4.5, -5, -5.5, -6, -7, -8]
    .map((power) => 10 ** power)
    .find((t) => Math.abs(energyAt(t) / reference - 1) <= own);
  if (tolerance === undefined) throw new Error('no tolerance of the solver is enough');
  const mine = time(() => plan.ride(options), 41);
  const theirs = time(() => energyAt(tolerance), 11);
  line(
    'the same 3 km by a general-purpose solver',
    wh(theirs),
    'at least 10 times',
    `${(theirs / mine).toFixed(0)} times slower than ${mine.toFixed(2)} ms at the same error, ${(100 * own).toFixed(4)} %; they agree to ${agree.toFixed(2)} %`,
  );
}

/** A thousand rides of a 30 km road, each to the end of the charge. */
function benchBand(): void {
  const route = around(30);
  const start = performance.now();
  const run = rangeBand(buildAt('0412-orchard-longtail'), route, 1000, 1, 1000);
  let step = run.next();
  while (step.done !== true) step = run.next();
  const seconds = (performance.now() - start) / 1000;
  const km = step.value.band.km.reduce((sum, one) => sum + one, 0) / 0.85;
  line(
    'a band of 1,000 rides, to the end of the charge',
    `${seconds.toFixed(1)} s`,
    'under 15 s of 30 km',
    `${((1000 * seconds) / km).toFixed(3)} ms a km; ${((30 * seconds * 1000) / km).toFixed(1)} s for 30 km each`,
  );
}

/** Twenty thousand points, read and cleaned. */
function benchImport(): void {
  const points = Array.from(
    { length: 20_000 },
    (_, i) =>
      `<trkpt lat="${(i * 7e-5).toFixed(6)}" lon="${(0.01 * Math.sin(i / 900)).toFixed(6)}"><ele>${(150 + 60 * Math.sin(i / 500) + (i % 7) * 0.3).toFixed(1)}</ele><time>2026-01-01T00:00:00Z</time></trkpt>`,
  );
  const text = `<?xml version="1.0"?><gpx version="1.1" creator="bench" xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>${points.join('\n')}</trkseg></trk></gpx>`;
  const parse = time(() => readGpx(text), 5);
  const whole = time(() => {
    const way = readGpx(text);
    if (way.ok) routeFromPositions('bench', way.value.positions);
  }, 5);
  line(
    'GPX of 20,000 points, read and cleaned',
    wh(whole),
    'under 300 ms',
    `${((100 * parse) / whole).toFixed(0)} % of it reading; ${(text.length / 1e6 / (parse / 1000)).toFixed(0)} MB/s`,
  );
}

/** Rides, the band, files, and the same ride by a general-purpose solver. */
export function benchRide(): void {
  benchRides();
  benchAgainstSolver();
  benchBand();
  benchImport();
  const flat = ridePlan(buildAt('0417-choir-tandem'), evenHill('', 1000, 0), 'cruise');
  const traced = flat.ride({ again: true, traceEvery: 20 });
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed;
  const held = Array.from({ length: 20 }, () => flat.ride({ again: true, traceEvery: 20 }));
  globalThis.gc?.();
  const bytes = (process.memoryUsage().heapUsed - before) / held.length;
  line(
    'memory of a ride with its trace',
    `${(bytes / 1024).toFixed(0)} kB`,
    '',
    `${(bytes / Math.max(1, traced.trace?.metres.length ?? 1)).toFixed(0)} bytes a row; elevation ${elevationAt(lanes().profile, 1000).toFixed(0)} m`,
  );
}

import { readFileSync } from 'node:fs';
import {
  assemble,
  chargePlan,
  evaluate,
  findPins,
  whenOf,
  fitChecks,
  knownBuild,
  matchAll,
  measureNext,
  newBuild,
  operatingPoint,
  packCard,
  part,
  plugTypeOf,
  sensitivities,
  subject,
  supplyAt,
  topSpeed,
  packsStudy,
  shippedRules,
  voltsOrAmps,
  type BuildDocument,
  type Machine,
  type Part,
  type Supply,
} from '@apple-cart/core';
import { demoBuild, demoBuilds, trayOf, wholeOf } from './demo.ts';
import { line, medianMicroseconds } from './measure.ts';

/** A front hub of which only the labels were read: what is unread is asked for every answer. */
function byLabels(): BuildDocument {
  const b = newBuild('By its labels');
  const label = (value: number) => ({ source: 'label', value }) as const;
  return {
    ...b,
    drive: { ...b.drive, wheel: 'front', ratedPowerW: label(250), labelV: label(36) },
    packs: [{ ...b.packs[0], nominalV: label(36), capacityAh: label(11.6) }],
    controller: { ...b.controller, batteryCurrentA: label(15), assistCutoffKmh: label(25) },
  };
}

/** The demo builds, the longtail with eleven cogs and a free choice among them, and one that is known by its labels alone. */
function builds(): readonly (readonly [string, BuildDocument])[] {
  const demo = demoBuilds();
  const longtail = demoBuild('Orchard longtail');
  const eleven: BuildDocument = {
    ...longtail,
    name: 'Mid-drive, 11 cogs',
    gearing: {
      ...longtail.gearing,
      cogTeeth: [42, 37, 32, 28, 24, 21, 18, 16, 14, 12, 11],
      heldCogTeeth: null,
    },
  };
  return [...demo, eleven, byLabels()].map((build) => [build.name, build]);
}

/** The shelf of the demo. */
const readParts = (): readonly Part[] =>
  (JSON.parse(readFileSync(new URL('../demo/parts.json', import.meta.url), 'utf8')) as unknown[]).map((p) =>
    part.parse(p),
  );

/** The operating point as a general search would find it: the reference for the closed form. */
function searchedAmps(machine: Machine, supply: Supply, v: number): number {
  const [gear] = machine.gears;
  if (gear === undefined) return 0;
  const { limits, circuitOhm, motor } = machine;
  const emf = motor.kt * gear.motorRatio * v;
  const ib = Math.min(
    limits.batteryA,
    (supply.openVolts - limits.lowVolts) / supply.ohm,
    supply.openVolts / (2 * supply.ohm),
  );
  const most = Math.min(limits.powerW, ib * (supply.openVolts - ib * supply.ohm));
  let low = 0;
  let high = limits.phaseA;
  while (high - low > 1e-9) {
    const amps = (low + high) / 2;
    const duty = emf + amps * circuitOhm <= supply.openVolts - amps * supply.ohm;
    const watts = amps * (emf + 0.3 + amps * circuitOhm) + limits.standbyW <= most;
    if (duty && watts) low = amps;
    else high = amps;
  }
  return low;
}

/** A build with a second pack behind ideal diodes. */
const withSecond = (build: BuildDocument): BuildDocument => ({
  ...build,
  packs: [build.packs[0], { ...build.packs[0], cellsInSeries: { source: 'assumed', value: 14 } }],
  joining: { ...build.joining, how: 'combiner' },
});

/** The next question for a plug of nine wires: nothing read, and after two readings; against the smallest plug of the library. */
function benchPins(): void {
  const pack = [53.8, 54.2] as const;
  const nine = plugTypeOf('nine');
  const three = plugTypeOf('throttle3');
  if (nine === undefined || three === undefined) return;
  const reading = { red: 0, black: 1, state: 'rest', low: 5, high: 5 } as const;
  const small = medianMicroseconds(() => findPins(three, [], pack), 20);
  findPins(nine, [], pack);
  let n = 0;
  // Another reading each time: what is remembered of the last one is not measured.
  const step = medianMicroseconds(() => {
    n += 1;
    return findPins(nine, [{ ...reading, low: 5 + n / 1e6, high: 5 + n / 1e6 }], pack);
  }, 10);
  line(
    'find a pin, nine wires, one reading',
    `${(step / 1000).toFixed(1)} ms`,
    'under 50 ms',
    `${(step / small).toFixed(0)} times a throttle’s`,
  );
}

/** Used cells of a seeded spread (invented), and how long they take to be sorted. */
function benchMatching(): void {
  let seed = 11;
  const next = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647;
  const cells = Array.from({ length: 300 }, (_, i) => ({
    name: String(i),
    mah: Math.round(2000 + 500 * next()),
    mohm: Math.round(30 + 10 * next()),
  }));
  for (const [series, parallel] of [
    [13, 20],
    [20, 14],
    [100, 3],
  ] as const) {
    const time = medianMicroseconds(() => matchAll(cells, series, parallel), 3);
    const outcome = matchAll(cells, series, parallel);
    const { spreadMah = 0, greedySpreadMah = 0 } = outcome.ok ? outcome.matching : {};
    line(
      `match 300 cells, ${String(series)} groups of ${String(parallel)}`,
      `${(time / 1000).toFixed(0)} ms`,
      'under 2000 ms',
      `spread ${spreadMah.toFixed(0)} mAh, dealt out greedily ${greedySpreadMah.toFixed(0)}`,
    );
  }
}

/** Times the core; everything is a ratio to the operating point, or to a reference that solves the same. */
export function benchCore(): void {
  const all = builds();
  const first = demoBuild('Orchard longtail');
  const machine = assemble(first);
  const [gear] = machine.gears;
  if (gear === undefined) return;
  const supply = supplyAt(machine.pack, 0.5);

  let v = 0;
  const step = (): number => (v = v > 8 ? 0.5 : v + 0.37);
  const point = medianMicroseconds(() => operatingPoint(machine, gear, supply, step()), 20_000);
  const search = medianMicroseconds(() => searchedAmps(machine, supply, step()), 5_000);
  line(
    'operating point, closed form',
    `${point.toFixed(3)} us`,
    'under 1 us',
    `${(search / point).toFixed(1)} times faster than a search`,
  );

  for (const [name, build] of all) {
    const one = assemble(build);
    const top = medianMicroseconds(() => topSpeed(one, 0.5), 200);
    line(`top speed, ${name}`, `${top.toFixed(1)} us`, '', `${(top / point).toFixed(0)} operating points`);
  }
  for (const [name, build] of all) {
    const tray = medianMicroseconds(() => trayOf(build), 20);
    const whole = medianMicroseconds(() => wholeOf(build), 20);
    line(
      `evaluate, tray and stages, ${name}`,
      `${(tray / 1000).toFixed(2)} ms`,
      'under 2.7 ms',
      `${(tray / point).toFixed(0)} operating points`,
    );
    line(
      `evaluate, everything, ${name}`,
      `${(whole / 1000).toFixed(2)} ms`,
      '',
      `the tray takes ${((100 * tray) / whole).toFixed(0)} % of it`,
    );
  }
  for (const [name, build] of all) {
    const known = knownBuild(build);
    const one = assemble(build);
    const top = topSpeed(one, 1);
    const fit = medianMicroseconds(() => fitChecks(subject(build, known, one, top.moves ? top.v : 0)), 50);
    const tray = medianMicroseconds(() => trayOf(build), 20);
    line(
      `fit, ${name}`,
      `${(fit / 1000).toFixed(2)} ms`,
      'under 1 ms',
      `${((100 * fit) / tray).toFixed(0)} % of what the tray takes`,
    );
  }
  const parts = readParts();
  const list = medianMicroseconds(() => evaluate(first, shippedRules(), parts).list.rows, 50);
  line(
    'parts list, from the document alone',
    `${(list / 1000).toFixed(2)} ms`,
    'under 3 ms',
    `${(list / point).toFixed(0)} operating points`,
  );
  for (const [what, work] of [
    ['charge plan and habits', () => chargePlan(first)],
    ['pocket card', () => packCard(first)],
    ['volts or amps, with the shelf', () => voltsOrAmps(first, parts, shippedRules())],
    ['two packs through diodes', () => packsStudy(withSecond(first))],
    ['harness, every cable with its rules', () => evaluate(first, shippedRules()).wiring.wires.length],
    ['hold points of the bench', () => evaluate(first, shippedRules()).bench.length],
    ['settings sheet', () => evaluate(first, shippedRules()).settings.length],
    ['the plan of the work', () => whenOf(first, evaluate(first, shippedRules()).list.rows, '2026-03-02')],
  ] as const) {
    const time = medianMicroseconds(work, 10);
    line(what, `${(time / 1000).toFixed(2)} ms`, '', `${(time / point).toFixed(0)} operating points`);
  }
  benchMatching();
  benchPins();

  const next = medianMicroseconds(() => measureNext(first), 5);
  line(
    'what to measure next, with fit',
    `${(next / 1000).toFixed(1)} ms`,
    '',
    `${(next / point).toFixed(0)} operating points`,
  );
  const moved = medianMicroseconds(() => sensitivities(first), 5);
  line(
    'what to measure first, Orchard longtail',
    `${(moved / 1000).toFixed(1)} ms`,
    '',
    `${(moved / point).toFixed(0)} operating points`,
  );

  // Without a clean heap before and after, the figure would be that of the garbage.
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed;
  const held = Array.from({ length: 200 }, () => {
    const verdict = evaluate(first, shippedRules());
    return [verdict, verdict.figures, verdict.stages];
  });
  globalThis.gc?.();
  const bytes = (process.memoryUsage().heapUsed - before) / held.length;
  const document = JSON.stringify(first).length;
  line(
    'memory of one verdict, as the tray needs it',
    `${(bytes / 1024).toFixed(0)} kB`,
    '',
    `${(bytes / document).toFixed(1)} times its document's text`,
  );
}

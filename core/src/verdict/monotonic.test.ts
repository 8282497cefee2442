import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument, QuantityPath } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';
import { assemble } from '../machine/assemble.ts';
import { climb } from '../ride/climb.ts';
import { constantSpeedRange } from '../ride/range.ts';
import { startGrade } from '../ride/start-grade.ts';
import { topSpeed } from '../ride/steady.ts';
import { RUNS, anyBuild } from '../test/sample.ts';
import { knownAt, withValue } from '../document/quantity-at.ts';

/** A build and the same with one quantity a share larger. */
const more = (build: BuildDocument, path: QuantityPath, share: number): BuildDocument =>
  withValue(build, path, knownAt(knownBuild(build), path).value * (1 + share));
/** What follows from one another is settled first: one value alone is to change, and no default with it. */
const settled = (build: BuildDocument): BuildDocument => {
  const known = knownBuild(build);
  return FOLLOWING.reduce((one, path) => withValue(one, path, knownAt(known, path).value), build);
};
const FOLLOWING = [
  'drive.kvRpmPerV',
  'drive.resistanceOhm',
  'drive.hysteresisNm',
  'drive.eddyNms',
  'drive.massKg',
  'controller.batteryCurrentA',
  'controller.phaseCurrentA',
  'controller.resistanceMohm',
  'packs.0.bmsCurrentA',
  'packs.0.massKg',
] as const satisfies readonly QuantityPath[];
const share = fc.double({ min: 0.05, max: 0.5, noNaN: true });
/** Rounding of a root search, m/s and m. */
const HAIR = 1e-5;

const top = (build: BuildDocument): number => {
  const outcome = topSpeed(assemble(build), 0.5);
  return outcome.moves ? outcome.v : 0;
};
const hill = (build: BuildDocument): number => {
  const machine = assemble(build);
  const outcome = climb(machine, 0.5, 500, 6, machine.gears[0] ?? 'best');
  return outcome.climbs ? outcome.v : 0;
};
const range = (build: BuildDocument): number => {
  const outcome = constantSpeedRange(assemble(build), 5, 1, 'resting');
  return outcome.holds ? outcome.metres : 0;
};
/** A force beyond the weight has no steepest grade: any wall counts alike. */
const starts = (build: BuildDocument): number =>
  Math.min(1000, startGrade(assemble(build), 0.5, 'best').byForcePct ?? 1000);

const never = (
  name: string,
  path: QuantityPath,
  figure: (build: BuildDocument) => number,
  direction: 1 | -1,
): void => {
  it(name, () => {
    fc.assert(
      fc.property(anyBuild, share, (any, by) => {
        // A wind from behind carries a machine that its motor could not: still air is what the rule is about.
        const build = settled(withValue(any, 'brief.headwindMs', 0));
        const [before, after] = [figure(build), figure(more(build, path, by))];
        expect(direction * (after - before)).toBeGreaterThanOrEqual(-HAIR * Math.max(1, before));
      }),
      RUNS,
    );
  });
};

describe('over many builds', () => {
  never('more load never climbs faster', 'brief.riderMassKg', hill, -1);
  never('more load never starts on a steeper grade', 'brief.riderMassKg', starts, -1);
  never('more rolling resistance is never faster', 'donor.crr', top, -1);
  never('more drag area is never faster', 'donor.cdaM2', top, -1);
  never('more drag area never goes farther', 'donor.cdaM2', range, -1);
  never('a harder-working rider is never slower uphill', 'brief.riderPowerW', hill, 1);
  never('more battery current never climbs slower', 'controller.batteryCurrentA', hill, 1);
  never('more phase current never starts on a gentler grade', 'controller.phaseCurrentA', starts, 1);
  never('more protection never climbs slower', 'packs.0.bmsCurrentA', hill, 1);
  never('more amp-hours never go less far', 'packs.0.capacityAh', range, 1);
  never('a better chain never climbs slower', 'gearing.chainEfficiency', hill, 1);
  never('more winding resistance is never faster', 'drive.resistanceOhm', top, -1);
  never('a later cut-off of the volts never goes farther', 'controller.lowVoltageCutoffV', range, -1);
});

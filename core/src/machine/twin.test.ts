import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';
import { one } from '../test/fit-builds.ts';
import { wayOf } from '../ride/corners.ts';
import { lawFacts } from '../law/facts.ts';
import { electricalWatts, operatingPoint } from '../ride/operating-point.ts';
import { sample, type Changes } from '../test/sample.ts';
import { currentChain } from '../power-chain/chain.ts';
import { climb } from '../ride/climb.ts';
import { gripGradePct } from '../ride/start-grade.ts';
import { assemble, assembleKnown } from './assemble.ts';
import type { Machine } from './machine.ts';

const with_ = (motors: BuildDocument['drive']['motors'], changes: Changes = {}): BuildDocument => {
  const build = sample({ controls: { throttle: 'full', assistSensor: 'none' }, ...changes });
  return { ...build, drive: { ...build.drive, motors } };
};
const gearOf = (machine: Machine) => {
  const [gear] = machine.gears;
  if (gear === undefined) throw new Error('no gear');
  return gear;
};

describe('two equal motors', () => {
  const single = assemble(with_('one'));
  const both = assemble(with_('each-wheel'));

  it('are one motor of twice the current on half the resistance: each works as alone on twice the pack’s resistance', () => {
    for (const v of [0, 1, 3, 6, 8, 9]) {
      const pair = operatingPoint(both, gearOf(both), { openVolts: 48, ohm: 0.1 }, v);
      // The pack sags by both currents, which is what one sees on twice its resistance; lights hang on it once.
      const alone = operatingPoint(
        { ...single, limits: { ...single.limits, standbyW: single.limits.standbyW - single.accessoryW } },
        gearOf(single),
        { openVolts: 48, ohm: 0.2 },
        v,
      );
      expect(pair.forceN).toBeCloseTo(2 * alone.forceN, 6);
      expect(pair.phaseA).toBeCloseTo(2 * alone.phaseA, 6);
      expect(pair.limit).toBe(alone.limit);
      const motorW = (m: Machine, a: number) => electricalWatts(m, gearOf(m), a, v) - m.limits.standbyW;
      expect(motorW(both, pair.phaseA)).toBeCloseTo(2 * motorW(single, alone.phaseA), 6);
    }
  });

  it('weigh twice, with both controllers, and their ratings add up for the law', () => {
    const known = knownBuild(with_('one'));
    const more = known.drive.massKg.value + known.controller.massKg.value;
    expect(both.machineMassKg - single.machineMassKg).toBeCloseTo(more, 9);
    const build = with_('pair', { drive: { ratedPowerW: 250 } });
    const [way] = lawFacts(wayOf(build));
    expect(way?.facts.ratedPowerW?.high).toBe(500);
    // A motor in the middle is alone, whatever was said when it was a hub.
    const middle = { ...build, drive: { ...build.drive, kind: 'mid-drive' as const } };
    expect(assemble(middle).motors).toBe(1);
  });

  it('share the phase amps, and the controllers the battery’s', () => {
    const chainOf = (build: BuildDocument) => {
      const known = knownBuild(build);
      const machine = assembleKnown(build, known);
      return currentChain(build, known, machine, climb(machine, 0.5, 500, 8, 'best'));
    };
    const [one_, two] = [chainOf(with_('one')), chainOf(with_('each-wheel'))];
    expect(two.phase.peakA).toBeCloseTo(one_.phase.peakA, 9);
    expect(two.battery.peakA).toBeCloseTo(2 * one_.battery.peakA, 9);
  });

  it('in both wheels slip where the lighter wheel lets go of half the pull', () => {
    const b = { ...both.balance, towed: 0, wheelbase: 1, massHeight: 1, massAhead: 0.4, grip: 0.5 };
    expect(b.drivenWheel).toBe('both');
    const tangent = gripGradePct(b) / 100;
    const cosine = 1 / Math.hypot(1, tangent);
    const front = cosine * 0.4 - cosine * tangent;
    expect(front * 0.5).toBeCloseTo((cosine * tangent) / 2, 12);
  });

  it('are looked at in both ends of the bicycle', () => {
    const build = with_('each-wheel', {
      donor: {
        forkMaterial: 'magnesium',
        forkKind: 'rigid',
        frameMaterial: 'steel',
        frontOldMm: 100,
        rearOldMm: 135,
      },
      drive: { overLocknutMm: 135 },
    });
    expect(one(build, 'other-material').state).toBe('stop');
    expect(one(build, 'other-hub-width').state).toBe('stop');
    expect(one(build, 'other-axle-slot').state).toBe('unknown');
  });
});

import { describe, expect, it } from 'vitest';
import { shippedRules } from '../law/rules.ts';
import { sample } from '../test/sample.ts';
import { evaluate } from './evaluate.ts';

const hub = (controller: object, freewheel = false) =>
  evaluate(
    sample(
      {
        drive: { kvRpmPerV: 9, ratedPowerW: 1000, labelV: 48, freewheel },
        pack: { cellsInSeries: 13, nominalV: 48 },
        controller: { limitsSpeed: false, ratedV: 63, ...controller },
      },
      'direct-drive-hub',
    ),
    shippedRules(),
  );
const finding = (v: ReturnType<typeof hub>, id: string) => v.findings.find((f) => f.code === `check-${id}`);
const noLoad = (v: ReturnType<typeof hub>): number => v.motor.noLoadKmh[0];

describe('a controller that weakens the field', () => {
  it('stops where the motor’s volts at top speed are beyond what it stands', () => {
    // 54.6 V full over (1 - 60/160), or more: beyond capacitors of 63 V. Eight amps: 54.6 / (1 - 8/96) = 59.6 V.
    const bad = finding(hub({ weakens: 'yes', weakeningA: 60 }), 'weakened-volts');
    expect(bad?.state).toBe('stop');
    expect(finding(hub({ weakens: 'yes', weakeningA: 8 }), 'weakened-volts')).toBeUndefined();
    expect(finding(hub({ weakens: 'yes', weakeningA: 60, ratedV: 120 }), 'weakened-volts')).toBeUndefined();
  });

  it('is looked at on a full pack, and says that it would brake where no freewheel parts it', () => {
    expect(JSON.stringify(finding(hub({ weakens: 'yes', weakeningA: 15 }), 'weakened-full'))).toMatch(
      /it brakes and charges/,
    );
    expect(finding(hub({ weakens: 'no', weakeningA: 15 }), 'weakened-full')).toBeUndefined();
  });

  it('raises the speed without load by 1 / (1 - |Id| / Ich), for the law as well', () => {
    const [off, on] = [hub({}), hub({ weakens: 'yes', weakeningA: 30 })];
    const cancelA = on.known.drive.cancelA.value;
    expect(noLoad(on) / noLoad(off)).toBeCloseTo(1 / (1 - 30 / cancelA), 6);
  });

  it('does nothing while nobody has read its amps, and asks for them', () => {
    const said = hub({ weakens: 'yes' });
    expect(noLoad(said)).toBe(noLoad(hub({})));
    expect(said.assumptions.map((k) => k.path)).toContain('controller.weakeningA');
    expect(said.stages.find((s) => s.id === 'drive')?.state).not.toBe('fine');
  });
});

import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { QuantityPath } from '../document/document.ts';
import { RUNS, anyBuild, runs } from '../test/sample.ts';
import { withValue } from '../document/quantity-at.ts';
import type { State } from '../check/state.ts';
import { checks, hub, one } from '../test/fit-builds.ts';

const SEVERITY: Readonly<Record<State, number>> = { fine: 0, look: 1, unknown: 1.5, stop: 2 };

describe('load', () => {
  it('stays below the maker’s permitted mass, and is unknown where that is', () => {
    const heavy = { brief: { riderMassKg: 130 } };
    expect(one(hub(), 'permitted-mass').state).not.toBe('stop');
    expect(one(hub(heavy), 'permitted-mass').would).toBe('stop');
    expect(one(hub({ donor: { permittedKg: { source: 'unknown' } } }), 'permitted-mass').state).toBe(
      'unknown',
    );
  });
});

describe('every check, over many builds', () => {
  it('gives no NaN, and never fine while an input is unknown', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        for (const check of checks(build)) {
          if (check.value !== undefined) expect(Number.isFinite(check.value), check.id).toBe(true);
          if (check.margin !== undefined) expect(Number.isNaN(check.margin), check.id).toBe(false);
          if (check.missing.length + check.unanswered.length > 0)
            expect(check.state, check.id).toBe('unknown');
          expect(check.why.length, check.id).toBeGreaterThan(0);
          expect(check.remedy.length, check.id).toBeGreaterThan(0);
        }
      }),
      RUNS,
    );
  });

  it('shows no limit that would rest on an unknown', () => {
    const build = hub({ donor: { permittedKg: { source: 'unknown' } } });
    expect(one(build, 'permitted-mass').limit).toEqual(['not known yet']);
    expect(one(hub(), 'permitted-mass').limit).not.toEqual(['not known yet']);
  });

  it('has an id of its own', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const ids = checks(build).map((c) => c.id);
        expect(new Set(ids).size).toBe(ids.length);
      }),
      runs(40),
    );
  });

  // Each measure and the check it can only make worse when it grows.
  it.each([
    ['drive.overLocknutMm', 'hub-width', 135, 160],
    ['drive.flatsMm', 'slot-width', 8, 14],
    ['drive.axleMm', 'slot-depth', 8, 20],
    ['packs.0.boxHeightMm', 'pack-room', 40, 240],
    ['packs.0.boxLengthMm', 'pack-room', 100, 600],
    ['packs.0.boxWidthMm', 'pack-knees', 40, 250],
    ['brief.loadMassKg', 'permitted-mass', 0, 120],
    ['controller.phaseCurrentA', 'spread-driving', 10, 150],
  ] as const)('%s never improves %s by growing', (path: QuantityPath, id, low, high) => {
    let before = -1;
    for (let i = 0; i <= 24; i += 1) {
      const state = one(withValue(hub(), path, low + ((high - low) * i) / 24), id).would;
      expect(SEVERITY[state], `${path} step ${String(i)}`).toBeGreaterThanOrEqual(before);
      before = SEVERITY[state];
    }
  });

  it.each([
    ['drive.overLocknutMm', 'hub-narrow', 60, 134],
    ['drive.axleLengthMm', 'axle-length', 120, 220],
    ['donor.slotWidthMm', 'slot-width', 8, 12],
    ['donor.slotDepthMm', 'slot-depth', 3, 15],
    ['donor.dropoutMm', 'dropout-plate', 2, 9],
    ['donor.caliperGapMm', 'caliper-gap', -2, 6],
    ['donor.permittedKg', 'permitted-mass', 80, 160],
    ['donor.cableSlackMm', 'cable-slack', 0, 200],
    ['donor.barRoomMm', 'bar-room', 0, 200],
  ] as const)('%s never worsens %s by growing', (path: QuantityPath, id, low, high) => {
    // A length of the axle is asked of a hub that is narrower than its dropouts.
    const build = id === 'axle-length' ? hub({ drive: { overLocknutMm: 110 } }) : hub();
    let before = 3;
    for (let i = 0; i <= 24; i += 1) {
      const state = one(withValue(build, path, low + ((high - low) * i) / 24), id).would;
      expect(SEVERITY[state], `${path} step ${String(i)}`).toBeLessThanOrEqual(before);
      before = SEVERITY[state];
    }
  });
});

import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument, QuantityPath } from '../document/document.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { anyBuild, runs } from '../test/sample.ts';
import { unreadAtEnd } from '../test/unread.ts';
import { newBuild } from '../document/template.ts';
import { study } from './study.ts';

/** What a build's checks and links find, by their names. */
function statesOf(build: BuildDocument): ReadonlyMap<string, string> {
  const { checks, powerChecks, chain } = study(build);
  return new Map([
    ...[...checks, ...powerChecks].map(({ id, state }) => [id, state] as const),
    ...chain.links.map((l) => [`link ${l.id} ${String(l.pack)} ${l.cable}`, l.state] as const),
  ]);
}

/**
 * What a check does not ask for although it moves it: conditions that a builder chooses and does not read, the drawing (asked as
 * one answer, the outline), and the next length that is sold.
 */
const CHOSEN = /^brief\./;
const DRAWN =
  /^donor\.(chainstayMm|wheelbaseMm|bracketHeightMm|otherBeadMm|otherTyreMm|beadMm|tyreMm)$|cell\.(gapMm|caseMm)$/;
const LETS: readonly (readonly [check: RegExp, path: RegExp])[] = [
  [/./, CHOSEN],
  // What a label would tell of turns and force lies in the spans of winding, amps and force: those are moved.
  [/./, /^drive\.(labelNm|noLoad|rated(Rpm|A))/],
  // The same slowing is asked from every speed: only whether it moves at all turns it.
  [/^stopping/, /^(drive|controller|packs|gearing)/],
  [/^(pack-|slip-|stopping|front-lift)/, DRAWN],
  // Where the whole weighs, as worked out from every mass and its place.
  [/^(slip-|front-lift|stopping)/, /massKg/],
  [/^stock-length/, /lengthPitches/],
  [/^chainline/, /spacerMm/],
  [/^(brake-|stopping)/, /setRolloutMm|phaseCurrentA|crr|cellsInSeries/],
  // A label that is read stands for cells that nobody has counted, within one.
  [/volts|cutoff|^lead-drop/, /cellsInSeries|nominalV/],
];
const lets = (check: string, path: QuantityPath): boolean =>
  LETS.some(([checks, paths]) => checks.test(check) && paths.test(path));

describe('a value that nobody has read', () => {
  it('leaves no check and no link fine that another plausible value of it would break', () => {
    let turned = 0;
    fc.assert(
      fc.property(anyBuild, fc.nat(), fc.boolean(), (build, pick, high) => {
        const one = unreadAtEnd(build, pick, high);
        if (one === undefined) return;
        const { path, less, other } = one;
        const after = statesOf(other);
        for (const [id, state] of statesOf(less)) {
          const broken = after.get(id) === 'stop' || after.get(id) === 'look';
          if (state === 'unknown' && broken) turned += 1;
          if (broken && !lets(id, path)) expect(state, `${id} by ${path}`).not.toBe('fine');
        }
      }),
      runs(600),
    );
    expect(turned).toBeGreaterThan(60);
  });

  it('as teeth of a sprocket by which a limit in watts stops on the hill, and asks of the plug all it lets through at the lowest volts', () => {
    const values = {
      'drive.ratedPowerW': 1890,
      'drive.kvRpmPerV': 22,
      'drive.reduction': 26,
      'drive.wheelSprocketTeeth': 77,
      'controller.phaseCurrentA': 250,
      'controller.powerLimitW': 1820,
      'controller.lowVoltageCutoffV': 26,
      'cabling.connectorA': 68,
    } as const;
    const plain = newBuild('Geared down', 'external');
    const started = withQuantity(
      { ...plain, controller: { ...plain.controller, limitsPower: true } },
      'controller.batteryCurrentA',
      { source: 'unknown' },
    );
    const build = Object.entries(values).reduce<BuildDocument>(
      (one, [path, value]) => withQuantity(one, path as keyof typeof values, { source: 'label', value }),
      started,
    );
    const plug = (teeth: number | undefined): string | undefined =>
      statesOf(
        withQuantity(
          build,
          'drive.motorSprocketTeeth',
          teeth === undefined ? { source: 'unknown' } : { source: 'measured', value: teeth },
        ),
      ).get('link plug 0 ');
    // 1,820 W at 26 V are 70 A, over the plug's 68.
    expect([plug(9), plug(undefined)]).toEqual(['stop', 'unknown']);
  });
});

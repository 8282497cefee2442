import { coastDown, hubDrag } from './coasting.ts';
import { sag, spin, winding } from './electrical.ts';
import { specAt, type BuildDocument } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { assembleKnown } from '../machine/assemble.ts';
import type { UnitSystem } from '../quantity/unit-system.ts';
import type { MeasureHelper, MeasureId, MeasureOutcome, MeasuredValue, Reading, Readings } from './helper.ts';
import { level, rollOut, scales, telephone } from './mechanical.ts';

/** Every measurement by its id. */
export const MEASURE_HELPERS: Readonly<Record<MeasureId, MeasureHelper>> = {
  spin,
  winding,
  sag,
  'roll-out': rollOut,
  scales,
  level,
  telephone,
  'coast-down': coastDown,
  'hub-drag': hubDrag,
};

/** The readings that a measurement takes on a build. */
export const readingsFor = (id: MeasureId, build: BuildDocument): readonly Reading[] =>
  MEASURE_HELPERS[id].readings.filter(({ when }) => when?.(build) ?? true);

/**
 * Works a measurement out on a build: undefined while a reading that it needs is missing.
 * @param pack which pack the value is of, from 0
 * @param system in whose units the marks of a speedometer were
 */
export function measureOf(
  id: MeasureId,
  readings: Readings,
  build: BuildDocument,
  pack: number,
  system: UnitSystem,
): MeasureOutcome | undefined {
  const helper = MEASURE_HELPERS[id];
  const missing = readingsFor(id, build).some((r) => r.optional !== true && readings[r.key] === undefined);
  if (missing) return undefined;
  const known = knownBuild(build);
  return helper.work(readings, { build, known, machine: assembleKnown(build, known), pack, system });
}

/** The build with what was measured, each value with its plus-minus and a note of how it was come by. */
export const withMeasured = (
  build: BuildDocument,
  values: readonly MeasuredValue[],
  note: string,
): BuildDocument =>
  values.reduce((b, { path, value, sd }) => {
    const { min, max, step } = specAt(path);
    const within = Math.min(max, Math.max(min, value));
    // Two figures of its error, and the value as fine as that.
    const grain = 10 ** (Math.floor(Math.log10(sd > 0 ? sd : step)) - 1);
    return withQuantity(b, path, {
      source: 'measured',
      value: rounded(within, grain),
      plusMinus: rounded(sd, grain),
      note,
    });
  }, build);

const rounded = (value: number, grain: number): number =>
  Number((Math.round(value / grain) * grain).toPrecision(12));

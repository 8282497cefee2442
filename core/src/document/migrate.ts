import { PRESETS } from '../frame/presets/index.ts';
import { FRAME_STYLES, type FrameStyle } from '../frame/names.ts';

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The first place for a pack on a frame of a style. */
export const usualPlace = (style: FrameStyle) => PRESETS[style].places[0]?.place ?? 'free';

/** Version 1 did not say where the pack is: it lies where the style has it. */
function packPlaced(old: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const { donor, pack } = old;
  if (!isObject(donor) || !isObject(pack) || 'boxes' in pack) return old;
  const style = FRAME_STYLES.find((s) => s === donor['style']) ?? 'diamond';
  return { ...old, pack: { ...pack, boxes: [{ place: usualPlace(style), at: null }] } };
}

/**
 * What a version's documents meant otherwise than the next one's. What they did not ask needs no step: the schema
 * fills it as unknown. Versions 2 to 4 only asked less.
 */
const STEPS: Readonly<
  Partial<Record<number, (old: Readonly<Record<string, unknown>>) => Record<string, unknown>>>
> = {
  1: packPlaced,
};

/** A document of an older version as one of the version of today. */
export function migrated(
  data: Readonly<Record<string, unknown>>,
  from: number,
  to: number,
): Record<string, unknown> {
  let current = { ...data };
  for (let version = from; version < to; version += 1) current = STEPS[version]?.(current) ?? current;
  return { ...current, schemaVersion: to };
}

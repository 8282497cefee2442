import { PRESETS } from '../frame/presets/index.ts';
import { FRAME_STYLES, type FrameStyle } from '../frame/names.ts';
import { BLANK } from './blank.ts';

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The first place for a pack on a frame of a style. */
export const usualPlace = (style: FrameStyle) => PRESETS[style].places[0]?.place ?? 'free';

/** Version 1 knew nothing of fit: what it did not ask is unknown, and the pack lies where the style has it. */
export function from1To2(data: object): unknown {
  const old = data as Record<string, unknown>;
  const next: Record<string, unknown> = { shelf: {}, ...old, schemaVersion: 2 };
  for (const [name, added] of Object.entries(BLANK)) {
    const section = old[name];
    if (isObject(section)) next[name] = { ...added, ...section };
  }
  const [donor, pack] = [old['donor'], next['pack']];
  if (isObject(donor) && isObject(pack) && !('boxes' in pack)) {
    const style = FRAME_STYLES.find((s) => s === donor['style']) ?? 'diamond';
    next['pack'] = { ...pack, boxes: [{ place: usualPlace(style), at: null }] };
  }
  return next;
}

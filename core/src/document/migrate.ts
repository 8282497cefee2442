import { PRESETS } from '../frame/presets/index.ts';
import { FRAME_STYLES, type FrameStyle } from '../frame/names.ts';
import { BLANK } from './blank.ts';

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The first place for a pack on a frame of a style. */
export const usualPlace = (style: FrameStyle) => PRESETS[style].places[0]?.place ?? 'free';

/** What a later version asks and an earlier one did not: unknown, never a made-up value. */
function filled(
  old: Record<string, unknown>,
  names: readonly (keyof typeof BLANK)[],
): Record<string, unknown> {
  const next = { ...old };
  for (const name of names) {
    const section = old[name];
    if (section === undefined) next[name] = BLANK[name];
    else if (isObject(section)) next[name] = { ...BLANK[name], ...section };
  }
  return next;
}

/** Version 1 knew nothing of fit: what it did not ask is unknown, and the pack lies where the style has it. */
export function from1To2(data: object): Record<string, unknown> {
  const old = data as Record<string, unknown>;
  const present = (['donor', 'drive', 'gearing', 'pack', 'controller', 'controls'] as const).filter(
    (name) => name in old,
  );
  const next: Record<string, unknown> = { shelf: {}, ...filled(old, present), schemaVersion: 2 };
  const [donor, pack] = [old['donor'], next['pack']];
  if (isObject(donor) && isObject(pack) && !('boxes' in pack)) {
    const style = FRAME_STYLES.find((s) => s === donor['style']) ?? 'diamond';
    next['pack'] = { ...pack, boxes: [{ place: usualPlace(style), at: null }] };
  }
  return next;
}

/** Version 3 rode steady hills and levels: routes, wind's direction and the motor's heat are unknown. */
export function from3To4(data: object): Record<string, unknown> {
  const old = data as Record<string, unknown>;
  const asked = (['brief', 'drive', 'controller'] as const).filter((name) => name in old);
  return { ...filled(old, asked), schemaVersion: 4 };
}

/** Version 4 judged three places by one setting: profiles, label, width, duties and the controller's wheel are unknown. */
export function from4To5(data: object): Record<string, unknown> {
  const old = data as Record<string, unknown>;
  const asked = (['brief', 'donor', 'controller', 'controls'] as const).filter((name) => name in old);
  return { ...filled(old, asked), schemaVersion: 5 };
}

/** Version 2 knew a ready pack and a controller: cells, leads, charger, second pack and lights are unknown. */
export function from2To3(data: object): Record<string, unknown> {
  const old = data as Record<string, unknown>;
  const asked = (['pack', 'controller'] as const).filter((name) => name in old);
  const added = ['cell', 'second', 'cabling', 'charger', 'supply'] as const;
  return { ...filled(old, [...asked, ...added]), schemaVersion: 3 };
}

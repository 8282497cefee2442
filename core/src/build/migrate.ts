import { PRESETS } from '../frame/presets/index.ts';
import { FRAME_STYLES, type FrameStyle } from '../frame/names.ts';
import { donorFitSpecs, donorFrameSpecs } from './donor-measures.ts';
import { driveFitSpecs } from './drive-fit.ts';

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const unknowns = (specs: object): Record<string, unknown> =>
  Object.fromEntries(Object.keys(specs).map((key) => [key, { source: 'unknown' }]));

/** Keys that came with the fit checks, with what an older document says of them: nothing. */
const ADDED_IN_2: Readonly<Record<string, Record<string, unknown>>> = {
  donor: {
    frameMaterial: 'unknown',
    forkMaterial: 'unknown',
    forkKind: 'unknown',
    axle: 'unknown',
    shell: 'unknown',
    brakeFront: 'unknown',
    brakeRear: 'unknown',
    levers: 'unknown',
    outline: 'unknown',
    points: {},
    bosses: null,
    ...unknowns(donorFrameSpecs),
    ...unknowns(donorFitSpecs),
  },
  drive: {
    torqueArms: 0,
    discMount: 'unknown',
    throughAxle: 'unknown',
    bearsOnFrame: 'unknown',
    medium: 'chain',
    idler: 'unknown',
    ...unknowns(driveFitSpecs),
  },
  gearing: { hubRatios: [], heldHubGear: null, shiftSensor: 'unknown' },
  pack: unknowns({ boxLengthMm: 0, boxHeightMm: 0, boxWidthMm: 0 }),
  controller: { regenerates: 'unknown' },
  controls: { throttleKind: 'unknown' },
};

/** The first place for a pack on a frame of a style. */
export const usualPlace = (style: FrameStyle) => PRESETS[style].places[0]?.place ?? 'free';

/** Version 1 knew nothing of fit: what it did not ask is unknown, and the pack lies where the style has it. */
export function from1To2(data: object): unknown {
  const old = data as Record<string, unknown>;
  const next: Record<string, unknown> = { shelf: {}, ...old, schemaVersion: 2 };
  for (const [name, added] of Object.entries(ADDED_IN_2)) {
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

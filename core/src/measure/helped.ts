import { ofFirstPack, type BuildDocument, type QuantityPath } from '../document/document.ts';
import type { MeasureId } from './helper.ts';

interface Helped {
  readonly id: MeasureId;
  readonly words: string;
}

/** Values that a measurement can give, by the name that its menu has. */
const HELPED: Partial<Record<QuantityPath, readonly Helped[]>> = {
  'drive.kvRpmPerV': [{ id: 'spin', words: 'From a spin of the wheel…' }],
  'drive.resistanceOhm': [{ id: 'winding', words: 'By volts and amps…' }],
  'drive.hysteresisNm': [{ id: 'hub-drag', words: 'By rolling out…' }],
  'packs.0.wiringMohm': [{ id: 'sag', words: 'By the pack’s sag…' }],
  'donor.rolloutMm': [{ id: 'roll-out', words: 'By chalk on the floor…' }],
  'donor.massAheadMm': [{ id: 'scales', words: 'By a scale…' }],
  'donor.massHeightMm': [{ id: 'scales', words: 'By a scale…' }],
  'donor.crr': [{ id: 'coast-down', words: 'By rolling out…' }],
  'donor.cdaM2': [{ id: 'coast-down', words: 'By rolling out…' }],
  'brief.hillGradePct': [
    { id: 'level', words: 'With a spirit level…' },
    { id: 'telephone', words: 'With a telephone…' },
  ],
};

const NONE: readonly Helped[] = [];

/** The measurements that give a value of this build: the same list for the same answer, so that it can be compared. */
export const helpedBy = (build: BuildDocument, path: QuantityPath): readonly Helped[] =>
  // A motor behind its freewheel does not drag on a wheel that rolls.
  (path === 'drive.hysteresisNm' && build.drive.freewheel ? undefined : HELPED[ofFirstPack(path)]) ?? NONE;

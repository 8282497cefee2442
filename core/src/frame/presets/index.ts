import type { FrameStyle } from '../names.ts';
import type { Preset } from '../preset.ts';
import { carriage, longtail, trike } from './cargo.ts';
import { recumbent, tandem } from './long.ts';
import { diamond, fat, folding, fullSuspension, smallWheel, stepThrough } from './upright.ts';

export const PRESETS: Readonly<Record<FrameStyle, Preset>> = {
  diamond,
  'step-through': stepThrough,
  'small-wheel': smallWheel,
  folding,
  fat,
  'full-suspension': fullSuspension,
  recumbent,
  tandem,
  longtail,
  trike,
  carriage,
};

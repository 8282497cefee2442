import type { DrawStyle } from './drawn.ts';
import { diamondWith } from './diamond.ts';
import { longtail, trike } from './cargo.ts';
import { tandem } from './tandem.ts';
import { recumbent } from './recumbent.ts';
import { carriage } from './carriage.ts';

const diamond = diamondWith({ headTube: 150, stays: 440, seat: 545, topTube: true });
const stepThrough = diamondWith({ headTube: 190, stays: 450, seat: 500, topTube: false });

export const STYLES = {
  diamond,
  'step-through': stepThrough,
  'small-wheel': diamondWith({ headTube: 150, stays: 430, seat: 430, topTube: true }),
  fat: diamondWith({ headTube: 130, stays: 455, seat: 480, topTube: true }),
  recumbent,
  tandem,
  longtail,
  trike,
  carriage,
} as const satisfies Record<string, DrawStyle>;

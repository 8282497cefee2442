import { TERRAINS } from '../document/terrains.ts';
import type { DonorStyle } from '../document/choices.ts';
import type { BuildDocument } from '../document/document.ts';

/** Height of a forecast's wind, and of who rides in it, m; a recumbent lies lower. */
const FORECAST_M = 10;
const RIDER_M = 1.2;
const LYING_M = 0.8;
const LYING: readonly DonorStyle[] = ['recumbent'];
/** Between houses the law of the logarithm ends; so much always comes down. */
const LEAST = 0.25;

/**
 * Wind where the rider is, over that of the forecast's 10 m: ln(z/z0)/ln(10/z0), at least .25. Roughness of EN 1991-1-4; the
 * logarithm holds from 1 m over the sea to 10 m in a town, and is an estimate below.
 */
export function windShare({ brief, donor }: Pick<BuildDocument, 'brief' | 'donor'>): number {
  const { z0 } = TERRAINS[brief.windAt];
  if (z0 === undefined) return 1;
  const z = LYING.includes(donor.style) ? LYING_M : RIDER_M;
  return Math.max(LEAST, Math.log(z / z0) / Math.log(FORECAST_M / z0));
}

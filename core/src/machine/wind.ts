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
 * Square of the air's speed along the road, (m/s)^2, mean over every direction that a wind may come from, cross wind included: at
 * `v` on the road, v^2 (1 + 0.75 (w/v)^2) of first order (derived), with the next term, so that it is within 0.5 % of the integral
 * at any two speeds.
 * @param wind its strength, m/s, 0 or more
 */
export function airFromAllSides(v: number, wind: number): number {
  if (wind === 0) return v * v;
  const w2 = wind * wind;
  if (v >= wind) return v * v + 0.75 * w2 - (0.05 * w2 * w2) / (v * v);
  return 1.5 * v * wind + (0.2 * v * v * v) / wind;
}

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

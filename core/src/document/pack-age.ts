import type { Chemistry } from './choices.ts';

/** How a chemistry ages: by the root of the years and by cycles to 80 %. From memory, of usual cells kept half full and cool. */
const AGES: Readonly<Record<Chemistry, { readonly perRootYear: number; readonly cyclesTo80: number }>> = {
  nmc: { perRootYear: 0.04, cyclesTo80: 600 },
  'nmc-power': { perRootYear: 0.04, cyclesTo80: 600 },
  lmo: { perRootYear: 0.05, cyclesTo80: 500 },
  lfp: { perRootYear: 0.025, cyclesTo80: 2000 },
  'lead-acid': { perRootYear: 0.08, cyclesTo80: 250 },
};
/** Full charges in a year where nobody counted them. Common practice. */
const CYCLES_A_YEAR = 40;

/**
 * Share of the capacity left: 1 - a sqrt(years) - 0.2 cycles / N80, lead-acid straight with the years; not below a
 * fifth. From memory; a measured capacity always wins.
 */
export function healthByAge(chemistry: Chemistry, years: number, cycles = years * CYCLES_A_YEAR): number {
  const { perRootYear, cyclesTo80 } = AGES[chemistry];
  const calendar = perRootYear * (chemistry === 'lead-acid' ? years : Math.sqrt(years));
  return Math.max(0.2, 1 - calendar - (0.2 * cycles) / cyclesTo80);
}

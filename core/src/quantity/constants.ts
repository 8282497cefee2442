/** Standard gravity, m/s2, exact (3rd CGPM, 1901; ISO 80000-3). */
export const STANDARD_GRAVITY = 9.80665;
/** 0 degrees Celsius in kelvin, exact (ITS-90). */
export const ZERO_CELSIUS_K = 273.15;
/** Stefan-Boltzmann constant, W/(m2 K4), exact since 2019 (CODATA 2018). */
export const STEFAN_BOLTZMANN = 5.670374419e-8;
/** Specific gas constant of dry air, J/(kg K) (ISO 2533:1975). */
export const AIR_GAS_CONSTANT = 287.05287;
/** Bicycle chain pitch, mm: 1/2 inch exactly (ISO 9633, ISO 606). */
export const CHAIN_PITCH_MM = 12.7;

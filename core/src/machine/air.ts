import { AIR_GAS_CONSTANT, ZERO_CELSIUS_K } from '../quantity/constants.ts';

/**
 * Pressure of the standard atmosphere in Pa at `altitudeM` (valid -400 to 11,000 m).
 * ISO 2533:1975, troposphere: p = 101325 (1 - 0.0065 h / 288.15)^5.25588.
 */
export const airPressure = (altitudeM: number): number =>
  101325 * Math.pow(1 - (0.0065 * altitudeM) / 288.15, 5.25588);

/** Density of dry air in kg/m3 at `altitudeM` and the actual temperature in C: rho = p / (R T), ISO 2533. */
export const airDensity = (altitudeM: number, temperatureC: number): number =>
  airPressure(altitudeM) / (AIR_GAS_CONSTANT * (temperatureC + ZERO_CELSIUS_K));

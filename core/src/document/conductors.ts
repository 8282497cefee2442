import type { Conductor } from './choices.ts';

/** What a conductor is like at 20 C. */
interface ConductorData {
  readonly name: string;
  /** ohm m at 20 C. */
  readonly resistivity: number;
  /** Change of resistance per kelvin, from 20 C. */
  readonly perKelvin: number;
  readonly source: string;
}

/** Resistivities: copper 100 % IACS is 1/58 ohm mm2/m by definition (IEC 60028, 1925); the others by their share of it. */
const CONDUCTORS: Readonly<Record<Conductor, ConductorData>> = {
  copper: {
    name: 'copper',
    resistivity: 1 / 58e6,
    perKelvin: 0.00393,
    source: 'IEC 60028, 100 % IACS: 1/58 Ω mm²/m at 20 °C',
  },
  aluminium: {
    name: 'aluminium',
    resistivity: 1 / 58e6 / 0.61,
    perKelvin: 0.00403,
    source: '61 % IACS (IEC 60889, from memory)',
  },
  'copper-clad': {
    name: 'copper-clad aluminium',
    resistivity: 1 / 58e6 / 0.63,
    perKelvin: 0.004,
    source: '63 % IACS, a tenth copper by volume (ASTM B566, from memory)',
  },
};

/** Resistance of a conductor, ohm: rho L / A, at a temperature of the metal. Derived from Ohm's law. */
export const conductorOhm = (kind: Conductor, metres: number, mm2: number, celsius = 20): number => {
  const { resistivity, perKelvin } = CONDUCTORS[kind];
  return ((resistivity * metres) / (mm2 * 1e-6)) * (1 + perKelvin * (celsius - 20));
};

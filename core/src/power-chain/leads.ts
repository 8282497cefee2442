import { conductorOhm } from '../document/conductors.ts';
import type { Conductor } from '../document/choices.ts';
import { STEFAN_BOLTZMANN, ZERO_CELSIUS_K } from '../quantity/constants.ts';

/** A stranded conductor is this much wider than a solid one of its area. Common practice. */
const STRANDED = 1.13;
/** Thin-wall insulation, mm, and what it conducts, W/(m K). From memory. */
const INSULATION_MM = 0.8;
const INSULATION_W_MK = 0.2;
/** Dark plastic. From memory. */
const EMISSIVITY = 0.9;
/** Out and back lie side by side and warm each other. From memory. */
const PAIR = 0.9;

/**
 * Amps at which a lead in still air settles at a temperature, from the balance of copper loss against
 * insulation, free convection and radiation: I^2 r = (Tc - Ta) / (ln(D/d) / (2 pi k) + 1 / (pi D h)), with
 * h = 1.32 (dT / D)^0.25 + 4 eps sigma Tm^3 (horizontal cylinder, laminar; McAdams, Heat Transmission, 1954).
 * For a lead laid open beside its return; in a bundle, tube or box it carries less.
 * @param mm2 conductor, above 0
 * @param insulationC what the insulation stands, above `ambientC`
 */
export function leadAmps(kind: Conductor, mm2: number, insulationC: number, ambientC: number): number {
  const rise = insulationC - ambientC;
  if (rise <= 0) return 0;
  const conductor = Math.sqrt((4 * mm2) / Math.PI) * STRANDED * 1e-3;
  const outside = conductor + 2 * INSULATION_MM * 1e-3;
  const inner = Math.log(outside / conductor) / (2 * Math.PI * INSULATION_W_MK);
  // The surface runs cooler than the metal by what the insulation keeps: settled in a few rounds.
  let surface = rise;
  let watts = 0;
  for (let i = 0; i < 12; i += 1) {
    const mean = ambientC + surface / 2 + ZERO_CELSIUS_K;
    const h = 1.32 * Math.pow(surface / outside, 0.25) + 4 * EMISSIVITY * STEFAN_BOLTZMANN * mean ** 3;
    watts = rise / (inner + 1 / (Math.PI * outside * h));
    surface = rise - watts * inner;
  }
  return PAIR * Math.sqrt(watts / conductorOhm(kind, 1, mm2, insulationC));
}

/** What a lead does with a current, out and back. */
export interface LeadLoss {
  readonly ohm: number;
  readonly volts: number;
  readonly watts: number;
}

/** Volts dropped and watts lost on a lead of a length one way, at 40 C of the metal. Ohm's law. */
export function leadLoss(
  kind: Conductor,
  mmOneWay: number,
  mm2: number,
  amps: number,
  celsius = 40,
): LeadLoss {
  const ohm = conductorOhm(kind, (2 * mmOneWay) / 1000, mm2, celsius);
  return { ohm, volts: ohm * amps, watts: ohm * amps * amps };
}

/** Watts lost in the three phase leads at an effective current in each, at 40 C of the metal: 3 I^2 R. Derived. */
export const phaseLeadWatts = (
  kind: Conductor,
  mmOneWay: number,
  mm2: number,
  effectiveA: number,
  celsius = 40,
): number => 3 * effectiveA * effectiveA * conductorOhm(kind, mmOneWay / 1000, mm2, celsius);

/** Two plugs of a kind in parallel do not share evenly: each counts for four fifths. Common practice. */
const SHARED = 0.8;

/** Amps that plugs of a kind carry together. */
export const plugAmps = (amps: number, count: number): number => (count > 1 ? count * SHARED * amps : amps);

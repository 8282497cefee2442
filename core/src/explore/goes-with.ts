import type { BuildDocument } from '../document/document.ts';
import type { PartOf } from '../parts/part.ts';

/** Rims take tyres of one bead seat; labels of one differ by less than this, mm. ISO 5775 seats lie further apart. From memory. */
const BEAD_MM = 2;
export const sameBead = (a: number, b: number): boolean => Math.abs(a - b) <= BEAD_MM;

/** A controller for three phases turns no motor with brushes, nor the other way round. */
export const turnsMotor = (
  { commutation }: Pick<PartOf<'controller'>, 'commutation'>,
  { drive }: Pick<BuildDocument, 'drive'>,
): boolean => commutation === drive.commutation;

type Controller = Pick<PartOf<'controller'>, 'ratedV' | 'lowVoltageCutoffV'>;

/** Volts under load between which a controller's cut-off belongs for a pack. Common practice: 0.75 to 0.95 of the label. */
const [CUTOFF_LEAST, CUTOFF_MOST] = [0.75, 0.95];

/** A lithium pack that is full stands this much over its label: 4.2 over 3.6 V a cell. */
const FULL_OVER_LABEL = 1.17;

/**
 * Whether a controller is made for a pack of so many volts by its label: it stands the full pack, and cuts off where it should.
 * @param nominalV by the label of the pack
 */
export const madeForVolts = ({ ratedV, lowVoltageCutoffV: low }: Controller, nominalV: number): boolean =>
  (ratedV === null || ratedV >= FULL_OVER_LABEL * nominalV) &&
  low >= CUTOFF_LEAST * nominalV &&
  low <= CUTOFF_MOST * nominalV;

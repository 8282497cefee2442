import type { FallbackContext, QuantitySpec } from './quantity-spec.ts';

/** A box for the tube of a frame, of which nothing is known, mm. Common practice. */
const USUAL = { boxLengthMm: 360, boxHeightMm: 90, boxWidthMm: 90 } as const;
type Side = keyof typeof USUAL;

/** Energy of sealed blocks of lead and acid by their room, Wh/l: 12 V 12 Ah in 151 x 98 x 95 mm, 12 V 20 Ah in 181 x 77 x 167. From memory. */
const LEAD_WH_PER_L = 100;
/** Such a block's sides as shares of one another. From memory. */
const LEAD_SHAPE: Readonly<Record<Side, number>> = { boxLengthMm: 1.6, boxHeightMm: 1.05, boxWidthMm: 0.95 };
const LEAD_SHAPE_VOLUME = LEAD_SHAPE.boxLengthMm * LEAD_SHAPE.boxHeightMm * LEAD_SHAPE.boxWidthMm;

/** A side of one box of the pack: lead by its energy; lithium in a usual box, that of several parted into as many lengths. */
const side =
  (which: Side) =>
  ({ chemistry, nominalV, capacityAh, boxes }: FallbackContext): number => {
    if (chemistry !== 'lead-acid') return which === 'boxLengthMm' ? USUAL[which] / boxes : USUAL[which];
    const mm3 = (1e6 * nominalV * capacityAh) / boxes / LEAD_WH_PER_L;
    return LEAD_SHAPE[which] * Math.cbrt(mm3 / LEAD_SHAPE_VOLUME);
  };

const because = ({ chemistry, boxes }: FallbackContext): string => {
  if (chemistry === 'lead-acid')
    return `by the energy in it at ${String(LEAD_WH_PER_L)} Wh a litre, sealed blocks, from memory`;
  return boxes === 1 ? 'common practice' : `a usual box, parted into ${String(boxes)}; common practice`;
};

const box = (
  which: Side,
  label: string,
  [min, max]: readonly [number, number],
  plausible: [number, number],
) =>
  ({
    label,
    unit: 'mm',
    min,
    max,
    plausible,
    step: which === 'boxLengthMm' ? 5 : 1,
    fallback: side(which),
    origin: 'common practice; lead by its energy, from memory',
    because,
  }) as const satisfies QuantitySpec;

/** One box of the pack. */
export const packBoxSpecs = {
  boxLengthMm: box('boxLengthMm', 'Box length', [30, 1500], [60, 600]),
  boxHeightMm: box('boxHeightMm', 'Box height', [20, 600], [50, 250]),
  boxWidthMm: box('boxWidthMm', 'Box width', [20, 600], [50, 250]),
} as const satisfies Record<string, QuantitySpec>;

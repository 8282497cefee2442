import { USUAL_FRAME } from '../frame/usual.ts';
import { NO_DEFAULT, caliper, type FallbackContext, type QuantitySpec } from './quantity-spec.ts';

const preset = (context: FallbackContext) => USUAL_FRAME[context.style];
const SMALL_FRONT: readonly FallbackContext['style'][] = ['recumbent', 'trike'];
const PRESET = 'from memory, the preset of the style';

/** What the side view and the chain are laid out by. */
export const donorFrameSpecs = {
  otherBeadMm: {
    label: 'Other wheel, bead diameter',
    unit: 'mm',
    min: 150,
    max: 700,
    plausible: [203, 635],
    step: 1,
    fallback: (c: FallbackContext) => (SMALL_FRONT.includes(c.style) ? 406 : c.beadMm),
    origin: 'as the driven wheel, or 406 mm in front of a recumbent or a load trike',
  },
  otherTyreMm: {
    label: 'Other wheel, tyre width',
    unit: 'mm',
    min: 15,
    max: 150,
    plausible: [20, 130],
    step: 1,
    fallback: (c: FallbackContext) => c.tyreMm,
    origin: 'as on the driven wheel',
  },
  chainstayMm: {
    label: 'Rear axle to bracket',
    unit: 'mm',
    min: 250,
    max: 3500,
    plausible: [380, 1800],
    step: 1,
    fallback: (c: FallbackContext) =>
      preset(c).chainstay(c.wheelbaseMm, preset(c).bracketHeight(c.rearRadiusMm), c.rearRadiusMm),
    origin: PRESET,
  },
  bracketHeightMm: {
    label: 'Bracket above ground',
    unit: 'mm',
    min: 120,
    max: 1200,
    plausible: [230, 700],
    step: 1,
    fallback: (c: FallbackContext) => preset(c).bracketHeight(c.rearRadiusMm),
    origin: PRESET,
  },
  crankMm: {
    label: 'Crank length',
    unit: 'mm',
    min: 80,
    max: 220,
    plausible: [140, 180],
    step: 2.5,
    fallback: 170,
    origin: 'common practice',
  },
  tyreGripWet: {
    label: 'Tyre grip in the wet',
    unit: '1',
    min: 0.02,
    max: 1.2,
    plausible: [0.1, 0.7],
    step: 0.05,
    fallback: 0.4,
    origin: 'from memory, wet asphalt',
    // Between 0.3 and 0.5 on a wet paved road.
    spread: () => 0.1,
  },
} as const satisfies Record<string, QuantitySpec>;

/** What the fit checks ask of the donor. None has a default: unknown stays unknown. */
export const donorFitSpecs = {
  frontOldMm: caliper('Front over-locknut width', [60, 220], [74, 150], 0.5),
  rearOldMm: caliper('Rear over-locknut width', [60, 260], [110, 197], 0.5),
  slotWidthMm: caliper('Axle slot, width', [5, 30], [8.5, 14.5], 0.1),
  slotDepthMm: caliper('Axle slot, depth', [2, 60], [6, 30], 0.5),
  dropoutMm: caliper('Dropout plate, thickness', [1, 30], [3, 12], 0.1),
  caliperGapMm: caliper('Caliper to motor cover', [-20, 60], [0, 20], 0.5),
  ownBeadMm: caliper('Bead the frame was made for', [150, 700], [203, 635], 1),
  shellWidthMm: caliper('Bracket shell, width', [40, 200], [68, 120], 0.1),
  shellBoreMm: caliper('Bracket shell, clear bore', [20, 100], [33, 52], 0.1),
  stayReachMm: caliper('Chainstay outside the shell face', [-60, 80], [-20, 30], 0.5),
  chainlineMm: caliper('Rear chainline, middle cog', [15, 120], [38, 60], 0.5),
  chainLinks: { ...caliper('Chain as it is, links', [40, 500], [90, 320], 2), unit: '1', counted: true },
  spindleMm: caliper('Crank spindle or axle, diameter', [8, 60], [14, 31], 0.1),
  barClampMm: caliper('Bar at the grips, diameter', [15, 45], [22, 24], 0.1),
  barRoomMm: caliper('Straight bar free for controls', [0, 800], [40, 400], 5),
  cableSlackMm: caliper('Spare cable at the head', [0, 2000], [20, 400], 10),
  rotorMm: caliper('Disc as it is, diameter', [100, 260], [140, 220], 1),
  erdMm: caliper('Rim, effective diameter at the nipples', [200, 680], [330, 620], 1),
  swingRoomMm: caliper('Pack to what swings, spring let out', [-60, 200], [0, 80], 1),
  shockStrokeMm: caliper('Shock stroke', [5, 150], [30, 75], 1),
  permittedKg: {
    label: 'Permitted mass, all in',
    unit: 'kg',
    min: 40,
    max: 1500,
    plausible: [90, 600],
    step: 5,
    stays: true,
    fallback: 120,
    origin: NO_DEFAULT,
  },
  rackLoadKg: {
    label: 'Carrier’s rated load',
    unit: 'kg',
    min: 1,
    max: 600,
    plausible: [10, 200],
    step: 1,
    stays: true,
    fallback: 25,
    origin: NO_DEFAULT,
  },
} as const satisfies Record<string, QuantitySpec>;

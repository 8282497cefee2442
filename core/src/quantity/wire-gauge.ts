/**
 * American wire gauge, ASTM B258: diameters in a geometric row, 0.005 in for 36 and 0.46 in for 4/0, hence
 * d = 0.127 mm x 92^((36 - n) / 39). Gauge 0 is 1/0, -1 is 2/0.
 */
export const awgDiameterMm = (gauge: number): number => 0.127 * Math.pow(92, (36 - gauge) / 39);

/** Cross-section of a solid conductor of a gauge, mm2 (ASTM B258). */
export const awgAreaMm2 = (gauge: number): number => (Math.PI / 4) * awgDiameterMm(gauge) ** 2;

/** The gauge whose area is nearest to `mm2`, as a whole number. */
export const nearestAwg = (mm2: number): number => {
  const diameter = Math.sqrt((4 * mm2) / Math.PI);
  return Math.round(36 - (39 * Math.log(diameter / 0.127)) / Math.log(92));
};

/** A lead whose area falls short by so little counts as the same. */
const SHORT_BY = 0.97;

/** The thinnest gauge that carries what `mm2` does, as it is asked for ("12 AWG", "2/0 AWG"): leads are sold in even gauges up to 1/0. */
export function gaugeText(mm2: number): string {
  let gauge = 40;
  // Down to 4/0, of 107 mm².
  while (gauge > -3 && awgAreaMm2(gauge) < SHORT_BY * mm2) gauge -= gauge > 0 ? 2 : 1;
  return `${gauge > 0 ? String(gauge) : `${String(1 - gauge)}/0`} AWG`;
}

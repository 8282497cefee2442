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

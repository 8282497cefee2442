/**
 * Where the wind of a forecast, stated for 10 m, has to come down from: roughness lengths z0 of EN 1991-1-4, table 4.1, m.
 * `felt`: entered as the rider feels it.
 */
export const TERRAINS = {
  felt: { z0: undefined, of: 'as the rider feels it' },
  sea: { z0: 0.003, of: 'forecast, by the sea or on a dyke' },
  flat: { z0: 0.01, of: 'forecast, open flat land' },
  fields: { z0: 0.05, of: 'forecast, fields with hedges' },
  village: { z0: 0.3, of: 'forecast, village, wood or suburb' },
  town: { z0: 1, of: 'forecast, town' },
} as const;
export type Terrain = keyof typeof TERRAINS;

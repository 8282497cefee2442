import type { Unit } from '../quantity/units.ts';

/** What a recording may hold beside its seconds. Values are kept in `unit`; a file may have them in any of `units`. */
export interface Channel {
  readonly name: string;
  readonly unit: Unit;
  readonly units: readonly Unit[];
  /** Beyond these nothing is believed, in `unit`. */
  readonly range: readonly [number, number];
  /** It may go down only by the noise of its reading. */
  readonly grows?: true;
}

export const CHANNELS = {
  distance: {
    name: 'Distance',
    unit: 'm',
    units: ['m', 'km', 'mi', 'ft'],
    range: [0, 2e7],
    grows: true,
  },
  speed: {
    name: 'Speed',
    unit: 'm/s',
    units: ['km/h', 'mph', 'm/s'],
    range: [0, 60],
  },
  volts: { name: 'Pack, volts', unit: 'V', units: ['V', 'mV'], range: [0, 200] },
  amps: {
    name: 'Pack, amps',
    unit: 'A',
    units: ['A', 'mA'],
    range: [-1000, 1000],
  },
  watts: {
    name: 'Out of the pack',
    unit: 'W',
    units: ['W', 'kW'],
    range: [-50_000, 50_000],
  },
  phaseA: { name: 'Phase', unit: 'A', units: ['A', 'mA'], range: [-2000, 2000] },
  windingC: {
    name: 'Winding',
    unit: 'C',
    units: ['C', 'F'],
    range: [-50, 400],
  },
  caseC: { name: 'Controller', unit: 'C', units: ['C', 'F'], range: [-50, 300] },
  cellsC: { name: 'Cells', unit: 'C', units: ['C', 'F'], range: [-50, 200] },
  elevation: {
    name: 'Elevation',
    unit: 'm',
    units: ['m', 'ft'],
    range: [-500, 9000],
  },
  latDeg: { name: 'Latitude', unit: 'deg', units: ['deg'], range: [-90, 90] },
  lonDeg: { name: 'Longitude', unit: 'deg', units: ['deg'], range: [-180, 180] },
  cadence: { name: 'Cadence', unit: 'rpm', units: ['rpm'], range: [0, 300] },
  riderW: { name: 'Rider', unit: 'W', units: ['W'], range: [0, 3000] },
} as const satisfies Record<string, Channel>;
export type ChannelId = keyof typeof CHANNELS;
export const CHANNEL_IDS = Object.keys(CHANNELS) as readonly ChannelId[];

/** A recording in memory: seconds from its beginning, and a column for each channel; NaN where there is no value. */
export interface Recording {
  readonly seconds: Float64Array;
  readonly columns: { readonly [K in ChannelId]?: Float32Array | Float64Array };
}

import type { BuildDocument } from './document.ts';
import { cablingSpecs } from './cabling.ts';
import { cellSpecs, type UsedCell } from './cell.ts';
import { chargerSpecs, supplySpecs, type Accessory } from './charging.ts';
import { donorFitSpecs, donorFrameSpecs } from './donor-measures.ts';
import { driveFitSpecs } from './drive-fit.ts';
import { driveHeatSpecs } from './drive-heat.ts';
import type { SwitchedProfile } from './controller.ts';
import { secondSpecs } from './pack.ts';
import type { Sourced } from './quantity-spec.ts';

/** Every quantity of the specs, unknown. */
const allUnknown = <S extends object>(specs: S): { [K in keyof S]: Sourced } =>
  Object.fromEntries(Object.keys(specs).map((key) => [key, { source: 'unknown' }])) as {
    [K in keyof S]: Sourced;
  };

/** What nobody has looked at yet: the values of everything that is asked later, before it is asked. */
export const BLANK = {
  brief: {
    hillRoute: '',
    rangeRoute: '',
    dutiesDone: [] as string[],
    ...allUnknown({ windFromDeg: 0, descentKmh: 0 }),
  },
  donor: {
    frameMaterial: 'unknown',
    forkMaterial: 'unknown',
    forkKind: 'unknown',
    axle: 'unknown',
    shell: 'unknown',
    brakeFront: 'unknown',
    brakeRear: 'unknown',
    levers: 'unknown',
    outline: 'unknown',
    points: {},
    bosses: null,
    ...allUnknown(donorFrameSpecs),
    ...allUnknown(donorFitSpecs),
    ...allUnknown({ widthMm: 0 }),
  },
  drive: {
    torqueArms: 0,
    discMount: 'unknown',
    throughAxle: 'unknown',
    bearsOnFrame: 'unknown',
    medium: 'chain',
    idler: 'unknown',
    windingSensor: 'unknown',
    fluid: false,
    ...allUnknown(driveFitSpecs),
    ...allUnknown(driveHeatSpecs),
  },
  gearing: { hubRatios: [] as number[], heldHubGear: null, shiftSensor: 'unknown' },
  pack: {
    make: 'ready',
    ...allUnknown({
      boxLengthMm: 0,
      boxHeightMm: 0,
      boxWidthMm: 0,
      cellsContinuousA: 0,
      cellsPeakA: 0,
      maxChargeA: 0,
    }),
  },
  cell: {
    name: '',
    inBody: 1,
    round: true,
    nesting: 'square',
    price: null,
    used: [] as UsedCell[],
    ...allUnknown(cellSpecs),
  },
  second: { name: '', chemistry: 'nmc', join: 'none', ...allUnknown(secondSpecs) },
  controller: {
    regenerates: 'unknown',
    lifted: 'unknown',
    profiles: [] as SwitchedProfile[],
    ...allUnknown({ ratedV: 0, capacitorUf: 0, regenA: 0, lowVoltageFoldV: 0, setRolloutMm: 0 }),
  },
  cabling: {
    conductor: 'copper',
    connectors: 1,
    protection: 'unknown',
    inrush: 'unknown',
    ...allUnknown(cablingSpecs),
  },
  charger: { name: '', pricePerKwh: null, ...allUnknown(chargerSpecs) },
  supply: { means: 'unknown', accessories: [] as Accessory[], ...allUnknown(supplySpecs) },
  controls: { throttleKind: 'unknown', ...allUnknown({ labelSpeedKmh: 0, labelPowerW: 0 }) },
} as const satisfies {
  readonly [
    S in
      | 'brief'
      | 'donor'
      | 'drive'
      | 'gearing'
      | 'pack'
      | 'cell'
      | 'second'
      | 'controller'
      | 'cabling'
      | 'charger'
      | 'supply'
      | 'controls'
  ]: Partial<BuildDocument[S]>;
};

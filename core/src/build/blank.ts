import type { BuildDocument } from './document.ts';
import { donorFitSpecs, donorFrameSpecs } from './donor-measures.ts';
import { driveFitSpecs } from './drive-fit.ts';
import type { Sourced } from './quantity-spec.ts';

/** Every quantity of the specs, unknown. */
const allUnknown = <S extends object>(specs: S): { [K in keyof S]: Sourced } =>
  Object.fromEntries(Object.keys(specs).map((key) => [key, { source: 'unknown' }])) as {
    [K in keyof S]: Sourced;
  };

/** What nobody has looked at yet: the values of everything that fit asks, before it is asked. */
export const BLANK = {
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
  },
  drive: {
    torqueArms: 0,
    discMount: 'unknown',
    throughAxle: 'unknown',
    bearsOnFrame: 'unknown',
    medium: 'chain',
    idler: 'unknown',
    ...allUnknown(driveFitSpecs),
  },
  gearing: { hubRatios: [] as number[], heldHubGear: null, shiftSensor: 'unknown' },
  pack: allUnknown({ boxLengthMm: 0, boxHeightMm: 0, boxWidthMm: 0 }),
  controller: { regenerates: 'unknown' },
  controls: { throttleKind: 'unknown' },
} as const satisfies {
  readonly [S in 'donor' | 'drive' | 'gearing' | 'pack' | 'controller' | 'controls']: Partial<
    BuildDocument[S]
  >;
};

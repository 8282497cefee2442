import type { Check } from '../check/check.ts';
import type { BuildDocument } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';
import { fitChecks } from '../fit/fit.ts';
import { subject } from '../fit/subject.ts';
import { assemble } from '../machine/assemble.ts';
import { kmhToMs } from '../quantity/units.ts';
import { sample } from './sample.ts';

/** What the checks look at, at a top speed in km/h. */
export const subjectOf = (build: BuildDocument, kmh = 25) =>
  subject(build, knownBuild(build), assemble(build), kmhToMs(kmh));
/** Every fit check of a build at a top speed, km/h. */
export const checks = (build: BuildDocument, kmh = 25): readonly Check[] => fitChecks(subjectOf(build, kmh));
/** The check of an id. */
export const one = (build: BuildDocument, id: string, kmh = 25): Check => {
  const found = checks(build, kmh).find((c) => c.id === id);
  if (found === undefined) throw new Error(`no check ${id}`);
  return found;
};

/** What a sample is changed by. */
export type Changes = NonNullable<Parameters<typeof sample>[0]>;

/** A rear hub on a steel bicycle, everything measured. */
export const hub = (changes: Changes = {}): BuildDocument =>
  sample(
    {
      ...changes,
      brief: { ...changes.brief },
      donor: {
        massKg: 15,
        frameMaterial: 'steel',
        forkMaterial: 'steel',
        forkKind: 'rigid',
        axle: 'solid',
        brakeFront: 'hydraulic-disc',
        brakeRear: 'hydraulic-disc',
        levers: 'cut-off',
        outline: 'measured',
        bosses: [],
        rearOldMm: 135,
        frontOldMm: 100,
        slotWidthMm: 10,
        slotDepthMm: 10,
        dropoutMm: 6,
        caliperGapMm: 4,
        ownBeadMm: 622,
        beadMm: 622,
        tyreMm: 42,
        wheelbaseMm: 1050,
        bracketHeightMm: 285,
        permittedKg: 140,
        spindleMm: 17,
        barClampMm: 22.2,
        barRoomMm: 100,
        cableSlackMm: 150,
        ...changes.donor,
      },
      drive: {
        kvRpmPerV: 42,
        reduction: 5,
        overLocknutMm: 135,
        axleMm: 12,
        flatsMm: 10,
        discMount: 'yes',
        torqueArms: 1,
        sensorBoreMm: 18,
        ...changes.drive,
      },
      pack: { boxLengthMm: 340, boxHeightMm: 86, boxWidthMm: 90, massKg: 4, ...changes.pack },
      controller: { phaseCurrentA: 40, regenerates: 'no', ...changes.controller },
      controls: { brakeCutoffs: 'yes', ...changes.controls },
    },
    'geared-hub',
  );

export const mid = (changes: Changes = {}): BuildDocument =>
  sample(
    {
      ...changes,
      donor: {
        frameMaterial: 'steel',
        shell: 'threaded',
        shellWidthMm: 68,
        shellBoreMm: 34,
        stayReachMm: 5,
        chainlineMm: 48,
        chainLinks: 114,
        chainstayMm: 440,
        bracketHeightMm: 285,
        ...changes.donor,
      },
      drive: {
        shellMinMm: 68,
        shellMaxMm: 73,
        tubeMm: 33.4,
        gearboxMm: 9,
        ringLineMm: 14,
        bodyDropMm: 60,
        bearsOnFrame: 'yes',
        spacerMm: 0,
        ...changes.drive,
      },
      gearing: { ringTeeth: 42, ...changes.gearing },
    },
    'mid-drive',
  );

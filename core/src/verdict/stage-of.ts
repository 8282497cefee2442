import { sectionOf } from '../document/counts-when.ts';
import type { QuantityPath } from '../document/document.ts';
import type { StageId } from './stage-ids.ts';

const SECTION_STAGE: Readonly<Record<string, StageId>> = {
  brief: 'brief',
  donor: 'donor',
  drive: 'drive',
  gearing: 'drive',
  controls: 'drive',
  pack: 'power',
  cell: 'power',
  second: 'power',
  cabling: 'power',
  charger: 'power',
  supply: 'power',
  controller: 'power',
};

/** Sizes of motor and pack are taken with the same caliper as the bicycle's, and entered beside them. */
const BESIDE_THE_DONOR: ReadonlySet<QuantityPath> = new Set([
  'drive.overLocknutMm',
  'drive.axleMm',
  'drive.flatsMm',
  'drive.shellMinMm',
  'drive.shellMaxMm',
  'drive.tubeMm',
  'drive.gearboxMm',
  'drive.ringLineMm',
  'drive.bodyDropMm',
  'drive.sensorBoreMm',
  'drive.spacerMm',
  'drive.armHoldsNm',
  'pack.boxLengthMm',
  'pack.boxHeightMm',
  'pack.boxWidthMm',
]);

/** Entered at the stage that asks for them. */
const ASKED: Partial<Record<QuantityPath, StageId>> = {
  'drive.windingHeatJK': 'hill',
  'drive.shellHeatJK': 'hill',
  'drive.coupleWK': 'hill',
  'drive.coolStillWK': 'hill',
  'drive.coolMovingWK': 'hill',
  'drive.fluidFactor': 'hill',
  'drive.rollbackStartC': 'hill',
  'drive.rollbackEndC': 'hill',
  'drive.damageC': 'hill',
  'donor.widthMm': 'law',
  'controller.setRolloutMm': 'law',
  'controls.labelSpeedKmh': 'law',
  'controls.labelPowerW': 'law',
  'brief.windFromDeg': 'range',
  'brief.descentKmh': 'range',
};

/** The stage at which a quantity is entered. */
export const stageOf = (path: QuantityPath): StageId =>
  ASKED[path] ?? (BESIDE_THE_DONOR.has(path) ? 'donor' : (SECTION_STAGE[sectionOf(path)] ?? 'brief'));

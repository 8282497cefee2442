import type { driveSpecs } from './drive.ts';
import { QUANTITY_PATHS, type BuildDocument, type QuantityPath } from './document.ts';

type When = (build: BuildDocument) => boolean;

/** A motor whose axle stands in a dropout. */
const hub: When = (b) => b.drive.kind === 'geared-hub' || b.drive.kind === 'direct-drive-hub';
const middle: When = (b) => b.drive.kind === 'mid-drive';
const external: When = (b) => b.drive.kind === 'external';
const hubIn =
  (wheel: 'front' | 'rear'): When =>
  (b) =>
    hub(b) && b.drive.wheel === wheel;
const unsaid =
  (key: keyof BuildDocument['drive'] & keyof typeof driveSpecs): When =>
  (b) =>
    b.drive[key].source === 'unknown';
const disc: When = (b) => {
  const brake = b.drive.wheel === 'front' ? b.donor.brakeFront : b.donor.brakeRear;
  return hub(b) && (brake === 'cable-disc' || brake === 'hydraulic-disc');
};

const cells: When = (b) => b.pack.make === 'cells';
const ready: When = (b) => b.pack.make === 'ready';
const two: When = (b) => b.second.join !== 'none';
const accessories: When = (b) => b.supply.accessories.length > 0;
const converted: When = (b) => accessories(b) && b.supply.means === 'converter';

/** Quantities that only count under a choice: elsewhere an unknown one costs nothing and is not asked for. */
const COUNTS_WHEN: Partial<Record<QuantityPath, When>> = {
  'donor.frontOldMm': hubIn('front'),
  'donor.rearOldMm': hubIn('rear'),
  'donor.slotWidthMm': (b) => hub(b) && b.donor.axle !== 'through',
  'donor.slotDepthMm': (b) => hub(b) && b.donor.axle !== 'through',
  'donor.dropoutMm': (b) => hub(b) && b.donor.axle !== 'through',
  'donor.caliperGapMm': disc,
  'donor.ownBeadMm': hub,
  'donor.shellWidthMm': middle,
  'donor.shellBoreMm': middle,
  'donor.stayReachMm': middle,
  'donor.chainlineMm': middle,
  'donor.chainLinks': middle,
  'donor.spindleMm': (b) => !middle(b) && b.controls.assistSensor !== 'none',
  'donor.rackLoadKg': (b) => b.pack.boxes.some((box) => box.place === 'rear-rack' || box.place === 'deck'),
  'donor.shockStrokeMm': (b) => b.donor.style === 'full-suspension',
  'drive.labelNm': (b) => b.controller.phaseCurrentA.source === 'unknown',
  'drive.noLoadRpm': unsaid('kvRpmPerV'),
  'drive.noLoadA': unsaid('hysteresisNm'),
  'drive.ratedRpm': unsaid('kvRpmPerV'),
  'drive.ratedA': unsaid('kvRpmPerV'),
  'drive.brushV': (b) => b.drive.commutation === 'brushes',
  'drive.overLocknutMm': hub,
  'drive.axleMm': hub,
  'drive.flatsMm': hub,
  'drive.shellMinMm': middle,
  'drive.shellMaxMm': middle,
  'drive.tubeMm': middle,
  'drive.gearboxMm': middle,
  'drive.ringLineMm': middle,
  'drive.bodyDropMm': middle,
  'drive.spacerMm': middle,
  'drive.sensorBoreMm': (b) => !middle(b) && b.controls.assistSensor !== 'none',
  'drive.armHoldsNm': (b) => hub(b) && b.drive.torqueArms > 0,
  'drive.fluidFactor': (b) => b.drive.fluid,
  'drive.rollbackStartC': (b) => b.drive.windingSensor === 'yes',
  'drive.rollbackEndC': (b) => b.drive.windingSensor === 'yes',
  'drive.motorSprocketTeeth': external,
  'drive.wheelSprocketTeeth': external,
  'drive.pitchMm': external,
  'drive.centreMm': external,
  'pack.capacityAh': ready,
  'pack.nominalV': ready,
  'pack.cellsContinuousA': ready,
  'pack.cellsPeakA': ready,
  'pack.maxChargeA': ready,
  'cell.depthMm': (b) => !b.cell.round,
  'second.combinerA': (b) => b.second.join === 'switch' || b.second.join === 'combiner',
  'cabling.fuseA': (b) => b.cabling.protection === 'fuse' || b.cabling.protection === 'breaker',
  'cabling.fuseV': (b) => b.cabling.protection === 'fuse' || b.cabling.protection === 'breaker',
  'cabling.preChargeOhm': (b) => b.cabling.inrush === 'resistor',
  'controller.regenA': (b) => !b.drive.freewheel && b.controller.regenerates === 'yes',
  'controller.powerLimitW': (b) => b.controller.limitsPower,
  'controller.assistCutoffKmh': (b) => b.controller.limitsSpeed,
  'controller.assistTaperKmh': (b) => b.controller.limitsSpeed,
  'controller.setRolloutMm': (b) => b.controller.limitsSpeed || b.controls.throttle === 'walk',
  'controls.labelSpeedKmh': (b) => b.controls.classLabel === 'yes',
  'controls.labelPowerW': (b) => b.controls.classLabel === 'yes',
  'controls.assistRatio': (b) => b.controls.assistSensor === 'torque' && b.controls.throttle !== 'full',
  'controls.walkCutoffKmh': (b) => b.controls.throttle === 'walk',
};

/** Sections that count as a whole. */
const SECTION_WHEN: Readonly<Record<string, When>> = { cell: cells, second: two, supply: converted };

/** The part of a path before its point. Asked at every keystroke for every quantity, so nothing is split. */
export const sectionOf = (path: QuantityPath): string => path.slice(0, path.indexOf('.'));

/** What a quantity waits for to count; asked for every quantity at every keystroke, so looked up once. */
const WHEN: ReadonlyMap<QuantityPath, readonly When[]> = new Map(
  QUANTITY_PATHS.flatMap((path) => {
    const conditions = [SECTION_WHEN[sectionOf(path)], COUNTS_WHEN[path]].filter((w) => w !== undefined);
    return conditions.length === 0 ? [] : [[path, conditions] as const];
  }),
);

/** True when the quantity counts under the build's choices. */
export const countsUnder = (build: BuildDocument, path: QuantityPath): boolean =>
  WHEN.get(path)?.every((when) => when(build)) ?? true;

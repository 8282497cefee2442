import { isHubMotor } from './choices.ts';
import { hasBoard } from './pack-board.ts';
import type { driveSpecs } from './drive.ts';
import {
  QUANTITY_PATHS,
  packIndexOf,
  sectionOf,
  type BuildDocument,
  type PackIndex,
  type QuantityPath,
} from './document.ts';
import type { PackDocument } from './pack.ts';
import { drivenAsMade, stays } from './kept.ts';
import { controllersBeside, drivesBoth } from './motors.ts';
import { isThrottle, throttleEnds } from './throttle.ts';

type When = (build: BuildDocument) => boolean;

/** Lighter riders may be children, kg: half of those of twelve weigh more. From memory, after growth tables. */
const CHILD_KG = 45;

/** True where somebody has said that the rider is as light as a child. */
export const mayBeChild: When = ({ brief: { riderMassKg } }) =>
  riderMassKg.source !== 'unknown' && riderMassKg.value < CHILD_KG;

/** A motor whose axle stands in a dropout. */
const hub: When = isHubMotor;
const middle: When = (b) => b.drive.kind === 'mid-drive';
const external: When = (b) => b.drive.kind === 'external';
const hubIn =
  (wheel: 'front' | 'rear'): When =>
  (b) =>
    hubGoesIn(b) && (b.drive.wheel === wheel || drivesBoth(b));
const unsaid =
  (key: keyof BuildDocument['drive'] & keyof typeof driveSpecs): When =>
  (b) =>
    b.drive[key].source === 'unknown';
/** A rotor that is the wheel has nothing to count between them; what somebody has said all the same counts. */
const geared =
  (key: 'reduction' | 'efficiency'): When =>
  (b) =>
    b.drive.kind !== 'direct-drive-hub' || b.drive[key].source !== 'unknown';
/** A motor that goes in: one that stays where its maker put it is not measured against the donor. */
const goesIn: When = (b) => !stays(b, 'motor');
const hubGoesIn: When = (b) => hub(b) && goesIn(b);
const middleGoesIn: When = (b) => middle(b) && goesIn(b);
/** The slot bears the axle's torque: asked unless nothing pulls harder than its maker meant. */
const slotBears: When = (b) => hub(b) && b.donor.axle !== 'through' && !drivenAsMade(b);
const disc: When = (b) => {
  const brake = b.drive.wheel === 'front' ? b.donor.brakeFront : b.donor.brakeRear;
  return hubGoesIn(b) && (brake === 'cable-disc' || brake === 'hydraulic-disc');
};

/** The ring of magnets at the cranks, where it is new. */
const sensorGoesOn: When = (b) => !middle(b) && b.controls.assistSensor !== 'none' && !stays(b, 'sensors');

const laced: When = (b) => hubGoesIn(b) && b.drive.lacing === 'own';

/** A hub that is narrower than its dropouts: what fills the gap needs axle. */
const narrower: When = (b) => {
  const here = b.drive.wheel === 'front' ? b.donor.frontOldMm : b.donor.rearOldMm;
  const { overLocknutMm: own } = b.drive;
  return (
    hubGoesIn(b) && here.source !== 'unknown' && own.source !== 'unknown' && own.value < here.value - 0.5
  );
};

/** Leads between controller and motor; those inside a motor are its maker’s. */
const phasesLie: When = (b) => controllersBeside(b) > 0;

/** A controller that says it weakens the field of a motor without brushes. */
const weakening: When = (b) => b.controller.weakens === 'yes' && b.drive.commutation !== 'brushes';

type PackWhen = (pack: PackDocument) => boolean;
const cells: PackWhen = (p) => p.make === 'cells';
const ready: PackWhen = (p) => p.make === 'ready';
const several: When = (b) => b.packs.length > 1;
const accessories: When = (b) => b.supply.accessories.length > 0;
const towing: When = (b) => b.brief.trailer !== 'none';
const ownCells: When = (b) => accessories(b) && b.supply.means === 'own-cells';
const converted: When = (b) => accessories(b) && b.supply.means === 'converter';

/** Quantities that only count under a choice: elsewhere an unknown one costs nothing and is not asked for. */
const COUNTS_WHEN: Partial<Record<QuantityPath, When>> = {
  // Asked by the duties of a place alone, and of a rider so light that it may be a child.
  'brief.riderAgeYears': (b) => b.brief.riderAgeYears.source !== 'unknown' || mayBeChild(b),
  'drive.axleLengthMm': narrower,
  'donor.rotorMm': disc,
  'drive.rotorMm': disc,
  'donor.erdMm': laced,
  'drive.flangeMm': laced,
  'drive.flangeGapMm': laced,
  'drive.spokes': laced,
  'drive.crossings': laced,
  'donor.swingRoomMm': (b) => b.donor.sprung === 'yes' && b.donor.style !== 'full-suspension',
  'drive.lengthPitches': external,
  'drive.meshTeeth': (b) => external(b) && b.drive.idler === 'yes',
  'cabling.phaseMm': phasesLie,
  'cabling.phaseMm2': phasesLie,
  'cabling.phaseConnectorA': phasesLie,
  'cabling.ringsA': (b) => b.cabling.passes.includes('rings'),
  'cabling.pullPlugA': (b) => b.cabling.passes.includes('pull-plug'),
  'cabling.chargePlugA': (b) => b.cabling.passes.includes('charge-plug'),
  'supply.ratedW': converted,
  'supply.maxInV': converted,
  'supply.efficiencyPct': converted,
  'supply.ownAh': ownCells,
  'supply.ownV': ownCells,
  'brief.groundPct': (b) => b.brief.groundPct.source !== 'unknown',
  'donor.pressurePct': (b) => b.donor.pressurePct.source !== 'unknown',
  'brief.trailerKg': towing,
  'brief.trailerLoadKg': towing,
  'brief.trailerCrr': towing,
  'brief.trailerCdaM2': towing,
  'donor.frontOldMm': hubIn('front'),
  'donor.rearOldMm': hubIn('rear'),
  'donor.slotWidthMm': slotBears,
  'donor.slotDepthMm': slotBears,
  'donor.dropoutMm': slotBears,
  'donor.caliperGapMm': disc,
  'donor.ownBeadMm': (b) => hub(b) && (goesIn(b) || b.donor.bothRims),
  'donor.shellWidthMm': middleGoesIn,
  'donor.shellBoreMm': middleGoesIn,
  'donor.stayReachMm': middleGoesIn,
  'donor.chainlineMm': middle,
  'donor.chainLinks': middle,
  'donor.spindleMm': sensorGoesOn,
  'donor.rackLoadKg': (b) =>
    b.packs.some((p) => p.boxes.some((box) => box.place === 'rear-rack' || box.place === 'deck')),
  'donor.shockStrokeMm': (b) => b.donor.style === 'full-suspension',
  'drive.labelNm': (b) => b.controller.phaseCurrentA.source === 'unknown',
  'drive.reduction': geared('reduction'),
  'drive.efficiency': geared('efficiency'),
  'drive.noLoadRpm': unsaid('kvRpmPerV'),
  'drive.noLoadA': unsaid('hysteresisNm'),
  'drive.ratedRpm': unsaid('kvRpmPerV'),
  'drive.ratedA': unsaid('kvRpmPerV'),
  'drive.brushV': (b) => b.drive.commutation === 'brushes',
  'drive.overLocknutMm': hubGoesIn,
  'drive.axleMm': (b) => hub(b) && !drivenAsMade(b),
  'drive.flatsMm': (b) => hub(b) && !drivenAsMade(b),
  'drive.shellMinMm': middleGoesIn,
  'drive.shellMaxMm': middleGoesIn,
  'drive.tubeMm': middleGoesIn,
  'drive.gearboxMm': middleGoesIn,
  'drive.ringLineMm': middle,
  'drive.bodyDropMm': middle,
  'drive.spacerMm': middleGoesIn,
  'drive.sensorBoreMm': sensorGoesOn,
  'drive.armHoldsNm': (b) => hub(b) && b.drive.torqueArms > 0,
  'drive.fluidFactor': (b) => b.drive.fluid,
  'drive.rollbackStartC': (b) => b.drive.windingSensor === 'yes',
  'drive.rollbackEndC': (b) => b.drive.windingSensor === 'yes',
  'drive.motorSprocketTeeth': external,
  'drive.wheelSprocketTeeth': external,
  'drive.pitchMm': external,
  'drive.centreMm': external,
  'joining.ratedA': (b) => several(b) && b.joining.how !== 'parallel',
  'joining.diodeDropV': (b) => several(b) && b.joining.how === 'combiner',
  'cabling.fuseA': (b) => b.cabling.protection === 'fuse' || b.cabling.protection === 'breaker',
  'cabling.fuseV': (b) => b.cabling.protection === 'fuse' || b.cabling.protection === 'breaker',
  'cabling.preChargeOhm': (b) => b.cabling.inrush === 'resistor',
  'controller.regenA': (b) => !b.drive.freewheel && b.controller.regenerates === 'yes',
  'controller.weakeningA': weakening,
  'drive.cancelA': weakening,
  'controller.powerLimitW': (b) => b.controller.limitsPower,
  'controller.assistCutoffKmh': (b) => b.controller.limitsSpeed,
  'controller.assistTaperKmh': (b) => b.controller.limitsSpeed,
  'controller.setRolloutMm': (b) =>
    b.controller.limitsSpeed || b.controls.throttle === 'walk' || throttleEnds(b),
  'controls.labelSpeedKmh': (b) => b.controls.classLabel === 'yes',
  'controls.labelPowerW': (b) => b.controls.classLabel === 'yes',
  'controls.assistRatio': (b) => b.controls.assistSensor === 'torque',
  'controls.leastRatio': (b) => b.controls.assistSensor === 'torque' && b.controls.levels > 1,
  'controls.throttleSharePct': (b) => isThrottle(b) && b.controls.assistSensor !== 'none',
  'controls.throttleCutoffKmh': throttleEnds,
  'controls.walkCutoffKmh': (b) => b.controls.throttle === 'walk',
};

/** The same of one pack, by what follows `packs.N.`. */
const PACK_COUNTS_WHEN: Readonly<Record<string, PackWhen>> = {
  capacityAh: ready,
  nominalV: ready,
  cellsContinuousA: ready,
  cellsPeakA: ready,
  maxChargeA: ready,
  bmsCurrentA: hasBoard,
  'cell.depthMm': (p) => cells(p) && !p.cell.round,
  // Asked for by its check alone, where lamps hang on the pack.
  boardCutoffV: (p) => p.boardCutoffV.source !== 'unknown',
  ageYears: (p) => p.healthPct.source === 'unknown',
  cycles: (p) => p.healthPct.source === 'unknown' && p.ageYears.source !== 'unknown',
};

/** Sections that count as a whole. */
const SECTION_WHEN: Readonly<Record<string, When>> = { supply: accessories };

/** A pack's quantity counts on a build that has the pack, and under the pack's own choices. */
function packWhen(path: QuantityPath, index: PackIndex): When {
  const key = path.slice('packs.0.'.length);
  const own = PACK_COUNTS_WHEN[key] ?? (key.startsWith('cell.') ? cells : undefined);
  return (b) => {
    const pack = b.packs[index];
    return pack !== undefined && (own === undefined || own(pack));
  };
}

/** What a quantity waits for to count; asked for every quantity at every keystroke, so looked up once. */
const WHEN: ReadonlyMap<QuantityPath, readonly When[]> = new Map(
  QUANTITY_PATHS.flatMap((path) => {
    const index = packIndexOf(path);
    const conditions = [
      index === undefined ? SECTION_WHEN[sectionOf(path)] : packWhen(path, index),
      COUNTS_WHEN[path],
    ].filter((w) => w !== undefined);
    return conditions.length === 0 ? [] : [[path, conditions] as const];
  }),
);

/** True when the quantity counts under the build's choices. */
export const countsUnder = (build: BuildDocument, path: QuantityPath): boolean =>
  WHEN.get(path)?.every((when) => when(build)) ?? true;

/**
 * What is as it should be, or as it usually is, until somebody has found it otherwise: other spreads hold the rest, and nobody is asked.
 * Yet it may be said at any time.
 */
const ONCE_SAID: Partial<Record<QuantityPath, When>> = {
  'brief.groundPct': ({ brief }) => brief.rangeRoute !== '' || brief.hillRoute !== '',
  'donor.pressurePct': () => true,
};

/** True when a value counts, or would as soon as it is said. */
export const takes = (build: BuildDocument, path: QuantityPath): boolean =>
  countsUnder(build, path) || (ONCE_SAID[path]?.(build) ?? false);

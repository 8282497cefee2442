import type { BuildDocument } from '../document/document.ts';
import { packsKg } from '../document/frame-of.ts';
import type { KnownBuild } from '../document/known-build.ts';
import { knownBuild } from '../document/known.ts';
import { kmhToMs } from '../quantity/units.ts';
import { accessoryWatts } from './accessories.ts';
import { airDensity } from './air.ts';
import { supplyAt, type Pack } from './battery.ts';
import { merged, sameKind } from './joined-packs.ts';
import { gears, type Gear } from './driveline.ts';
import type { Limits } from './limits.ts';
import { DIODE_V, fixedDrop, packShare, torqueConstant, warmResistance, type Motor } from './motor.ts';
import { regenerationOf, type Regeneration } from './regeneration.ts';
import { thermalOf } from './thermal-of.ts';
import type { Thermal } from './thermal.ts';
import type { Rider } from './rider.ts';
import type { RoadLoad } from './road-load.ts';

/** Geometry that decides grip and front lift, m, with the machine laden. */
export interface Balance {
  readonly wheelbase: number;
  readonly massHeight: number;
  readonly massAhead: number;
  readonly grip: number;
  readonly drivenWheel: 'front' | 'rear';
}

/** A second pack that is not one with the first: fed from after it, or beside it through diodes. */
export interface SecondPack {
  readonly join: 'switch' | 'combiner';
  readonly pack: Pack;
  readonly bmsA: number;
  /** State of charge when the ride begins, 0 to 1. */
  readonly charge: number;
}

/** A build as the physics sees it, SI throughout. */
export interface Machine {
  readonly kind: BuildDocument['drive']['kind'];
  readonly machineMassKg: number;
  readonly road: RoadLoad;
  readonly motor: Motor;
  /** Winding at its working temperature plus the controller, ohm. */
  readonly circuitOhm: number;
  /** Fixed drops in that circuit, V, and what the pack gives for each watt that it takes. */
  readonly dropV: number;
  readonly packShare: number;
  /** The controller's own share of it. */
  readonly controllerOhm: number;
  /** Efficiency from motor shaft to tyre. */
  readonly efficiency: number;
  /** Inside the motor alone: what it does not pass on warms its shell. */
  readonly gearEfficiency: number;
  readonly chainEfficiency: number;
  readonly wheelRadius: number;
  readonly gears: readonly Gear[];
  readonly heldGear: Gear | null;
  readonly limits: Limits;
  /** The part of the standby power that lights and other accessories take, W. */
  readonly accessoryW: number;
  readonly thermal: Thermal;
  /** What braking may give back; undefined where it cannot. */
  readonly regeneration: Regeneration | undefined;
  readonly airC: number;
  /** The pack that speeds and hills are worked out on: the first, or both where they are joined directly. */
  readonly pack: Pack;
  readonly second: SecondPack | undefined;
  readonly rider: Rider;
  /** What lets the motor work: a throttle, turning pedals, or nothing fitted. */
  readonly control: 'throttle' | 'pedals' | 'none';
  /** Motor watts per rider watt at most; Infinity when help does not follow the rider's power. */
  readonly assistRatio: number;
  readonly balance: Balance;
}

/** Ohm of one series group by the cells' own resistance; undefined where only the chemistry is known. */
function groupOhm(build: BuildDocument, { cell }: KnownBuild): number | undefined {
  if (build.pack.make !== 'cells' || cell.resistanceMohm.source === 'unknown') return undefined;
  return cell.resistanceMohm.value / 1000 / build.cell.inBody / Math.max(1, Math.round(cell.parallel.value));
}

/** The first pack, at the brief's temperature. */
export function firstPack(build: BuildDocument, known: KnownBuild): Pack {
  const { pack, brief } = known;
  const ohm = groupOhm(build, known);
  return {
    chemistry: build.pack.chemistry,
    cellsInSeries: pack.cellsInSeries.value,
    capacityAh: pack.capacityAh.value,
    health: pack.healthPct.value / 100,
    wiringOhm: pack.wiringMohm.value / 1000,
    temperatureC: brief.temperatureC.value,
    ...(ohm === undefined ? {} : { groupOhm: ohm }),
  };
}

/** The second pack; undefined on a machine with one. */
export function secondPack(build: BuildDocument, known: KnownBuild): Pack | undefined {
  if (build.second.join === 'none') return undefined;
  const { second, brief } = known;
  return {
    chemistry: build.second.chemistry,
    cellsInSeries: second.cellsInSeries.value,
    capacityAh: second.capacityAh.value,
    health: second.healthPct.value / 100,
    wiringOhm: second.wiringMohm.value / 1000,
    temperatureC: brief.temperatureC.value,
  };
}

/** Mass of the finished machine without rider and load, kg. */
const machineMassKg = (build: BuildDocument, known: KnownBuild): number =>
  known.donor.massKg.value + known.drive.massKg.value + packsKg(build, known) + known.controller.massKg.value;

/** A torque sensor gives help in proportion, unless a throttle can override it. */
const assistRatioOf = (build: BuildDocument, known: KnownBuild): number =>
  build.controls.assistSensor === 'torque' && build.controls.throttle !== 'full'
    ? known.controls.assistRatio.value
    : Infinity;

function limitsOf(build: BuildDocument, known: KnownBuild): Limits {
  const { controller, pack, brief } = known;
  const ratio = assistRatioOf(build, known);
  return {
    batteryA: controller.batteryCurrentA.value,
    // Packs joined directly share the current.
    bmsA: pack.bmsCurrentA.value + (build.second.join === 'parallel' ? known.second.bmsCurrentA.value : 0),
    phaseA: controller.phaseCurrentA.value,
    powerW: build.controller.limitsPower ? controller.powerLimitW.value : Infinity,
    lowVolts: controller.lowVoltageCutoffV.value,
    foldVolts: controller.lowVoltageFoldV.value,
    // Lights hang on the same pack, and are on whether the motor works or not.
    standbyW: controller.standbyW.value + accessoryWatts(build, known),
    cutoff: build.controller.limitsSpeed ? kmhToMs(controller.assistCutoffKmh.value) : Infinity,
    taper: kmhToMs(controller.assistTaperKmh.value),
    assistW: ratio === Infinity ? Infinity : ratio * brief.riderPowerW.value,
  };
}

function controlOf(build: BuildDocument): Machine['control'] {
  if (build.controls.throttle === 'full') return 'throttle';
  return build.controls.assistSensor === 'none' ? 'none' : 'pedals';
}

/** Turns of the motor's output per turn of the wheel: sprockets of an external drive, else 1. */
const externalRatio = (build: BuildDocument, { drive }: KnownBuild): number =>
  build.drive.kind === 'external' ? drive.wheelSprocketTeeth.value / drive.motorSprocketTeeth.value : 1;

/** A clean toothed belt; from memory. */
const BELT_EFFICIENCY = 0.97;

/** Efficiency from the motor's output to the wheel. */
function transmission(build: BuildDocument, { gearing }: KnownBuild): number {
  if (build.drive.kind === 'external' && build.drive.medium === 'belt') return BELT_EFFICIENCY;
  const chain = build.drive.kind === 'mid-drive' || build.drive.kind === 'external';
  return chain ? gearing.chainEfficiency.value : 1;
}

/** The gear held on the hill; null where none is, or where it is not on the machine. */
function heldGear({ gearing }: BuildDocument, list: readonly Gear[]): Gear | null {
  const { heldCogTeeth, heldHubGear } = gearing;
  if (heldCogTeeth === null && heldHubGear === null) return null;
  return (
    list.find(
      (gear) =>
        (heldCogTeeth === null || gear.cogTeeth === heldCogTeeth) &&
        (heldHubGear === null || gear.hubGear === heldHubGear),
    ) ?? null
  );
}

/** The packs as the machine has them. Unlike packs joined directly are judged, not computed: the first alone counts. */
function packsOf(build: BuildDocument, known: KnownBuild): Pick<Machine, 'pack' | 'second'> {
  const pack = firstPack(build, known);
  const other = secondPack(build, known);
  const { join } = build.second;
  if (other === undefined || join === 'none') return { pack, second: undefined };
  if (join === 'parallel')
    return { pack: sameKind(pack, other) ? merged(pack, other) : pack, second: undefined };
  const { bmsCurrentA, chargedPct } = known.second;
  return { pack, second: { join, pack: other, bmsA: bmsCurrentA.value, charge: chargedPct.value / 100 } };
}

/** The motor itself, with its brushes where it has any. */
const motorOf = ({ drive: { freewheel, commutation } }: BuildDocument, { drive }: KnownBuild): Motor => ({
  kt: torqueConstant(drive.kvRpmPerV.value),
  resistance20: drive.resistanceOhm.value,
  hysteresisNm: drive.hysteresisNm.value,
  eddyNms: drive.eddyNms.value,
  freewheel,
  ...(commutation === 'brushes' ? { brushes: { brushV: drive.brushV.value, diodeV: DIODE_V } } : {}),
});

/** Puts a build together from its known quantities. */
export function assembleKnown(build: BuildDocument, known: KnownBuild): Machine {
  const { brief, donor, drive, gearing, controller } = known;
  const midDrive = build.drive.kind === 'mid-drive';
  const wheelRadius = donor.rolloutMm.value / 1000 / (2 * Math.PI);
  const list = gears({
    wheelRadius,
    ringTeeth: gearing.ringTeeth.value,
    cogTeeth: build.gearing.cogTeeth,
    hubRatios: build.gearing.hubRatios,
    reduction: drive.reduction.value * externalRatio(build, known),
    midDrive,
  });
  const mass = machineMassKg(build, known);
  const packs = packsOf(build, known);
  const motor = motorOf(build, known);
  return {
    kind: build.drive.kind,
    machineMassKg: mass,
    road: {
      massKg: mass + brief.riderMassKg.value + brief.loadMassKg.value,
      crr: donor.crr.value,
      cdaM2: donor.cdaM2.value,
      airDensity: airDensity(brief.altitudeM.value, brief.temperatureC.value),
      headwind: brief.headwindMs.value,
    },
    motor,
    circuitOhm:
      warmResistance(drive.resistanceOhm.value, drive.windingC.value) +
      controller.resistanceMohm.value / 1000,
    dropV: fixedDrop(motor),
    // At half charge: what else a pack stands at moves the share of a diode by a thousandth or two.
    packShare: packShare(motor, supplyAt(packs.pack, 0.5).openVolts),
    controllerOhm: controller.resistanceMohm.value / 1000,
    efficiency: drive.efficiency.value * transmission(build, known),
    gearEfficiency: drive.efficiency.value,
    chainEfficiency: gearing.chainEfficiency.value,
    wheelRadius,
    gears: list,
    heldGear: heldGear(build, list),
    limits: limitsOf(build, known),
    accessoryW: accessoryWatts(build, known),
    thermal: thermalOf(build, known),
    regeneration: regenerationOf(build, known),
    airC: brief.temperatureC.value,
    ...packs,
    rider: {
      powerW: brief.riderPowerW.value,
      cadenceMinRpm: brief.cadenceMinRpm.value,
      cadenceMaxRpm: brief.cadenceMaxRpm.value,
    },
    control: controlOf(build),
    assistRatio: assistRatioOf(build, known),
    balance: {
      wheelbase: donor.wheelbaseMm.value / 1000,
      massHeight: donor.massHeightMm.value / 1000,
      massAhead: donor.massAheadMm.value / 1000,
      grip: donor.tyreGrip.value,
      // A mid-drive pulls on the chain, whatever wheel the document names for a hub motor.
      drivenWheel: midDrive ? 'rear' : build.drive.wheel,
    },
  };
}

/** A build document as a machine. */
export const assemble = (build: BuildDocument): Machine => assembleKnown(build, knownBuild(build));

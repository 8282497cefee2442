import type { BuildDocument } from '../document/document.ts';
import { packsKg } from '../document/frame-of.ts';
import { drivesBoth, motorCount } from '../document/motors.ts';
import { asksWhatFollows } from '../document/help-follows.ts';
import { handLimit, isThrottle } from '../document/throttle.ts';
import type { KnownBuild } from '../document/known-build.ts';
import { knownBuild } from '../document/known.ts';
import { bareDonorKg } from '../document/kept.ts';
import { kmhToMs } from '../quantity/units.ts';
import { accessoryWatts } from './accessories.ts';
import { airDensity } from './air.ts';
import { supplyAt } from './battery.ts';
import { packsOf } from './packs-aboard.ts';
import { controllerBody, placeOf } from './controller-heat.ts';
import { gears, type Gear } from './driveline.ts';
import type { Limits } from './limits.ts';
import {
  DIODE_V,
  WEAKER_PER_K,
  coldGrease,
  fixedDrop,
  packShare,
  torqueConstant,
  warmResistance,
  type Motor,
} from './motor.ts';
import { regenerationOf } from './regeneration.ts';
import { twinned } from './twin.ts';
import { thermalOf } from './thermal-of.ts';
import { EASY_BEHIND_CADENCE } from './rider.ts';
import { windShare } from './wind.ts';
import { softTyre, tyreWarmth } from './road-load.ts';
import type { Balance, Machine } from './machine.ts';

/** Mass of the finished machine without rider and load, kg. */
const machineMassKg = (build: BuildDocument, known: KnownBuild): number =>
  bareDonorKg(build, known) +
  motorCount(build) * (known.drive.massKg.value + known.controller.massKg.value) +
  packsKg(known);

/** A torque sensor gives help in proportion, also beside a throttle. */
const assistRatioOf = (build: BuildDocument, known: KnownBuild): number =>
  build.controls.assistSensor === 'torque' ? known.controls.assistRatio.value : Infinity;

/** What a trailer adds to the road load: its mass with its load, its own rolling, its drag behind the rider. */
export function towedBy({ brief: { trailer } }: BuildDocument, { brief }: KnownBuild) {
  if (trailer === 'none') return { kg: 0, crr: 0, cdaM2: 0 };
  return {
    kg: brief.trailerKg.value + brief.trailerLoadKg.value,
    crr: brief.trailerCrr.value,
    cdaM2: brief.trailerCdaM2.value,
  };
}

/** A throttle without a limit of its own, or with one that nobody has read, drives on to where the help of the pedals ends, and past it where that is told. */
function handCutoff(build: BuildDocument, known: KnownBuild): number {
  if (!isThrottle(build)) return 0;
  const limit = handLimit(build, known);
  return limit === undefined ? Infinity : kmhToMs(limit.value);
}

/** Motor watts that turning pedals ask for: none without a sensor, all there are by their turning alone. */
function pedalWatts({ controls }: BuildDocument, inProportion: number): number {
  if (controls.assistSensor === 'none') return 0;
  return controls.assistSensor === 'torque' ? inProportion : Infinity;
}

function limitsOf(build: BuildDocument, known: KnownBuild, bmsA: number): Limits {
  const { controller, brief } = known;
  const cutoff = build.controller.limitsSpeed ? kmhToMs(controller.assistCutoffKmh.value) : Infinity;
  return {
    batteryA: controller.batteryCurrentA.value,
    bmsA,
    phaseA: controller.phaseCurrentA.value,
    powerW: build.controller.limitsPower ? controller.powerLimitW.value : Infinity,
    lowVolts: controller.lowVoltageCutoffV.value,
    foldVolts: controller.lowVoltageFoldV.value,
    // Lights hang on the same pack, and are on whether the motor works or not.
    standbyW: controller.standbyW.value + accessoryWatts(build, known),
    cutoff,
    handCutoff: handCutoff(build, known),
    taper: kmhToMs(controller.assistTaperKmh.value),
    assistW: pedalWatts(build, assistRatioOf(build, known) * brief.riderPowerW.value),
  };
}

function controlOf(build: BuildDocument): Machine['control'] {
  if (build.controls.throttle === 'full') return 'throttle';
  return build.controls.assistSensor === 'none' && !isThrottle(build) ? 'none' : 'pedals';
}

/** Kinds of motor whose reduction runs in grease inside. */
const GREASED: ReadonlySet<BuildDocument['drive']['kind']> = new Set(['geared-hub', 'mid-drive']);

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

/** The motor itself, with its brushes where it has any; the grease of its gears as cold as the air. */
const motorOf = (
  { drive: { kind, freewheel, commutation } }: BuildDocument,
  { drive, brief }: KnownBuild,
): Motor => ({
  kt: torqueConstant(drive.kvRpmPerV.value),
  weakerPerK: WEAKER_PER_K[commutation === 'brushes' ? 'ferrite' : 'neodymium'],
  resistance20: drive.resistanceOhm.value,
  hysteresisNm: drive.hysteresisNm.value * (GREASED.has(kind) ? coldGrease(brief.temperatureC.value) : 1),
  eddyNms: drive.eddyNms.value,
  freewheel,
  ...(commutation === 'brushes' ? { brushes: { brushV: drive.brushV.value, diodeV: DIODE_V } } : {}),
});

/** Weakening whose amps nobody has read does nothing; a motor with brushes has no field to turn against. */
function weakeningOf(build: BuildDocument, { controller, drive }: KnownBuild): Pick<Machine, 'weakening'> {
  const { weakeningA } = controller;
  const stated =
    build.controller.weakens === 'yes' && weakeningA.source !== 'unknown' && weakeningA.value > 0;
  if (!stated || build.drive.commutation === 'brushes') return {};
  const cancelA = drive.cancelA.value;
  // Beyond half of it the round-rotor picture no longer holds.
  return { weakening: { amps: Math.min(weakeningA.value, cancelA / 2), cancelA } };
}

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
  const own = mass + brief.riderMassKg.value + brief.loadMassKg.value;
  const towed = towedBy(build, known);
  const { bmsA, ...packs } = packsOf(build, known);
  const motor = motorOf(build, known);
  const machine: Machine = {
    kind: build.drive.kind,
    motors: 1,
    machineMassKg: mass,
    towedKg: towed.kg,
    road: {
      massKg: own + towed.kg,
      crr:
        ((own * donor.crr.value * softTyre(donor.pressurePct.value) + towed.kg * towed.crr) /
          (own + towed.kg)) *
        tyreWarmth(brief.temperatureC.value),
      sinks: (Math.sqrt(50 / donor.tyreMm.value) * brief.groundPct.value) / 100,
      cdaM2: donor.cdaM2.value + towed.cdaM2,
      airDensity: airDensity(brief.altitudeM.value, brief.temperatureC.value),
      headwind: brief.headwindMs.value * windShare(build),
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
    limits: limitsOf(build, known, bmsA),
    accessoryW: accessoryWatts(build, known),
    thermal: thermalOf(build, known, list[0]?.motorRatio ?? 0),
    controllerHeat: controllerBody(
      controller.batteryCurrentA.value,
      placeOf(build),
      controller.foldStartC.value,
      controller.foldEndC.value,
    ),
    regeneration: regenerationOf(build, known),
    ...weakeningOf(build, known),
    airC: brief.temperatureC.value,
    ...packs,
    rider: {
      powerW: brief.riderPowerW.value,
      ease: build.controls.assistSensor === 'cadence' ? EASY_BEHIND_CADENCE : 1,
      cadenceMinRpm: brief.cadenceMinRpm.value,
      cadenceMaxRpm: brief.cadenceMaxRpm.value,
    },
    control: controlOf(build),
    assistRatio: assistRatioOf(build, known),
    assistOf: build.controls.helpFollows === 'torque' && asksWhatFollows(build) ? 'torque' : 'power',
    throttleShare: isThrottle(build) ? known.controls.throttleSharePct.value / 100 : 0,
    balance: {
      wheelbase: donor.wheelbaseMm.value / 1000,
      // Read only where it leans: until then nobody has to place what weighs.
      get massHeight() {
        return donor.massHeightMm.value / 1000;
      },
      get massAhead() {
        return donor.massAheadMm.value / 1000;
      },
      grip: donor.tyreGrip.value,
      towed: towed.kg / own,
      // A hitch stands at the rear axle.
      hitchHeight: wheelRadius,
      drivenWheel: drivenWheel(build),
    },
  };
  return motorCount(build) === 2 ? twinned(machine) : machine;
}

/** A mid-drive pulls on the chain, whatever wheel the document names for a hub motor. */
function drivenWheel(build: BuildDocument): Balance['drivenWheel'] {
  if (drivesBoth(build)) return 'both';
  return build.drive.kind === 'mid-drive' ? 'rear' : build.drive.wheel;
}

/** A build document as a machine. */
export const assemble = (build: BuildDocument): Machine => assembleKnown(build, knownBuild(build));

import type { BuildDocument } from './document.ts';
import type { PackDocument } from './pack.ts';
import type { FallbackContext, Sourced } from './quantity-spec.ts';
import { briefSpecs } from './brief.ts';
import { donorSpecs, wheelbaseOf } from './donor.ts';
import type { MotorDefaults } from './motor-asked.ts';
import { motorDefaults } from './motor-defaults.ts';
import { sprocketDefaults, type Sprockets } from './sprockets.ts';
import { isThrottle } from './throttle.ts';
import { LABEL_V_PER_CELL } from './per-cell.ts';
import { USUAL_AH } from './pack.ts';
import { TRAILERS, usualDrag, usualRolling } from './road-presets.ts';
import { rolloutFromSizeMm } from './wheel-size.ts';

const said = (quantity: Sourced): number | undefined =>
  quantity.source === 'unknown' ? undefined : quantity.value;

/** Volts of a pack of which nothing is known. Common practice. */
const USUAL_VOLTS = 48;

const [USUAL_BEAD, USUAL_TYRE] = [donorSpecs.beadMm.fallback, donorSpecs.tyreMm.fallback];

/** Volts and cells of a pack by what is entered of them. */
export function packContext({
  chemistry,
  nominalV: volts,
  cellsInSeries: cells,
  capacityAh,
  kept,
  ageYears,
  cycles,
  boxes,
}: Pick<
  PackDocument,
  'chemistry' | 'nominalV' | 'cellsInSeries' | 'capacityAh' | 'kept' | 'ageYears' | 'cycles' | 'boxes'
>) {
  const perCell = LABEL_V_PER_CELL[chemistry];
  const byCells = cells.source === 'unknown' ? USUAL_VOLTS : cells.value * perCell;
  const nominalV = volts.source === 'unknown' ? byCells : volts.value;
  return {
    chemistry,
    kept,
    ageYears: said(ageYears),
    cycles: said(cycles),
    boxes: boxes.length,
    nominalV,
    cellsInSeries: cells.source !== 'unknown' ? cells.value : Math.max(1, Math.round(nominalV / perCell)),
    capacityAh: capacityAh.source === 'unknown' ? USUAL_AH : capacityAh.value,
  };
}

/** All constants of the motor, by what is known of it. */
function motorOf({ drive, controller }: BuildDocument, wheelRadius: number): MotorDefaults {
  return motorDefaults({
    kind: drive.kind,
    brushed: drive.commutation === 'brushes',
    wheelRadius,
    ratedPowerW: said(drive.ratedPowerW),
    labelV: said(drive.labelV),
    massKg: said(drive.massKg),
    reduction: said(drive.reduction),
    efficiency: said(drive.efficiency),
    kvRpmPerV: said(drive.kvRpmPerV),
    resistanceOhm: said(drive.resistanceOhm),
    hysteresisNm: said(drive.hysteresisNm),
    eddyNms: said(drive.eddyNms),
    noLoadRpm: said(drive.noLoadRpm),
    noLoadA: said(drive.noLoadA),
    ratedRpm: said(drive.ratedRpm),
    ratedA: said(drive.ratedA),
    labelNm: said(drive.labelNm),
    brushV: said(drive.brushV),
    batteryA: said(controller.batteryCurrentA),
  });
}

/** The way from such a motor to the wheel, by what is counted of it. */
const sprocketsOf = ({ drive }: BuildDocument, motor: MotorDefaults, wheelRadius: number): Sprockets =>
  sprocketDefaults({
    medium: drive.medium,
    kvRpmPerV: motor.kvRpmPerV.value,
    labelV: motor.labelV.value,
    reduction: motor.reduction.value,
    watts: motor.ratedPowerW.value,
    wheelRadius,
    motorTeeth: said(drive.motorSprocketTeeth),
    wheelTeeth: said(drive.wheelSprocketTeeth),
    pitchMm: said(drive.pitchMm),
  });

/** The choices that defaults depend on. */
export function fallbackContext(build: BuildDocument): FallbackContext {
  const { style, posture, carries, tyre, beadMm, tyreMm, wheelbaseMm } = build.donor;
  const size = {
    beadMm: beadMm.source === 'unknown' ? USUAL_BEAD : beadMm.value,
    tyreMm: tyreMm.source === 'unknown' ? USUAL_TYRE : tyreMm.value,
  };
  const road = { style, posture, carries, tyre, ...size };
  const rollout = said(build.donor.rolloutMm) ?? rolloutFromSizeMm(size.beadMm, size.tyreMm);
  const wheelRadius = rollout / 1000 / (2 * Math.PI);
  const motor = motorOf(build, wheelRadius);
  return {
    style,
    drag: usualDrag(road),
    rolling: usualRolling(road),
    trailer: TRAILERS[build.brief.trailer === 'none' ? 'one-wheel' : build.brief.trailer],
    kind: build.drive.kind,
    brushed: build.drive.commutation === 'brushes',
    throttled: isThrottle(build),
    sensed: build.controls.assistSensor !== 'none',
    motor,
    sprockets: sprocketsOf(build, motor, wheelRadius),
    ...packContext(build.packs[0]),
    airC: said(build.brief.temperatureC) ?? briefSpecs.temperatureC.fallback,
    ...size,
    wheelbaseMm: wheelbaseMm.source === 'unknown' ? wheelbaseOf(style) : wheelbaseMm.value,
    rearRadiusMm: size.beadMm / 2 + size.tyreMm,
  };
}

import { measured, type Check } from '../check/check.ts';
import type { DriveKind } from '../document/choices.ts';
import type { KnownBuild } from '../document/known-build.ts';
import { fastestUnloaded } from '../law/motor-alone.ts';
import type { Machine } from '../machine/machine.ts';
import { coreDrag } from '../machine/motor.ts';
import { firstOf } from '../quantity/first-of.ts';
import { formatNumber } from '../quantity/format.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import { continuousAt } from '../ride/continuous.ts';

/** Volts over the label's that are fine, and that are to look at. Common practice, no source. */
const VOLTS: Readonly<Record<DriveKind, readonly [fine: number, look: number]>> = {
  'geared-hub': [1.35, 1.7],
  'mid-drive': [1.35, 1.7],
  'direct-drive-hub': [1.35, 2],
  external: [1.35, 2],
};
/** Brushes and commutator bear less. */
const BRUSHED_VOLTS = [1.2, 1.5] as const;
/** Amps over the label's: for minutes, and for a launch. Common practice, no source. */
const AMPS = [1.5, 2] as const;
/**
 * A label of so many watts on a hub or a middle motor is what the law asks for, not what flows: they are given 14 to 17 A at 36 V.
 * From memory. With brushes, and on a drive of its own, a label is what the motor bears.
 */
const BY_LAW_W = 250;
const FLOWS_W = 17 * 36;
/** Label amps are its watts over four fifths of its volts. Common practice. */
const LABEL_SHARE = 0.8;
/** Motor turns that planet gears bear, a minute. Common practice, no source. */
const RPM: Partial<Record<DriveKind, number>> = { 'geared-hub': 3000, 'mid-drive': 5000 };
/**
 * Turns of the field a minute (electrical rpm) that controllers follow: those that switch by blocks with sensors, 400 a second, and
 * field-oriented ones, 1000. Common practice, no source.
 */
const FIELD_RPM = [24_000, 60_000] as const;
/** Speed, as a share of no load, and wind at which what is held is compared. */
const HELD_AT = 0.8;
const MIDDLE_MS = 5;

/** What the motor holds for ever at a share of its unloaded speed on some volts, W. */
function heldW(machine: Machine, unloadedMs: number): number {
  const gear = machine.gears.reduce((a, b) => (b.motorRatio < a.motorRatio ? b : a));
  const v = machine.kind === 'mid-drive' ? MIDDLE_MS : HELD_AT * unloadedMs;
  // A motor in the middle turns as fast as it is geared to; its wheel's wind is that of a climb.
  const at =
    machine.kind === 'mid-drive'
      ? { ...gear, motorRatio: (HELD_AT * unloadedMs * gear.motorRatio) / v }
      : gear;
  return Math.max(0, continuousAt(machine, at, v).motorW);
}

/** What changes with the volts, and what does not. */
function voltsWords(machine: Machine, labelV: number, runV: number): Phrase {
  const gear = machine.gears.reduce((a, b) => (b.motorRatio < a.motorRatio ? b : a));
  const k = runV / labelV;
  const own = fastestUnloaded(machine);
  const atLabel = own / k;
  const coreW = (ms: number): number => {
    const omega = gear.motorRatio * ms;
    return coreDrag(machine.motor, omega) * omega;
  };
  return [
    'Rated ',
    qty(labelV, 'V', 0),
    ', run at ',
    qty(runV, 'V', 0),
    `: ${k.toFixed(2)} times the speed without load, of gears and bearings as well; the same force for each amp; core loss `,
    qty(coreW(atLabel), 'W', 0),
    ' to ',
    qty(coreW(own), 'W', 0),
    '; near its top speed it holds ',
    qty(heldW(machine, own), 'W', 0),
    ' instead of ',
    qty(heldW(machine, atLabel), 'W', 0),
    '. Spokes feel the torque, which the amps set.',
  ];
}

/** The motor's own amps by its label, and up to how many times them it is fine. */
function ownAmps(
  { kind, commutation }: { readonly kind: DriveKind; readonly commutation: string },
  watts: number,
  labelV: number,
): { readonly amps: number; readonly fine: number } {
  const amps = watts / (LABEL_SHARE * labelV);
  const byLaw = watts <= BY_LAW_W && kind !== 'external' && commutation !== 'brushes';
  return { amps, fine: byLaw ? Math.max(AMPS[0], FLOWS_W / labelV / amps) : AMPS[0] };
}

/** What the greater force goes through. */
const FOLLOWS: Readonly<Record<DriveKind, string>> = {
  'geared-hub': 'Force, gear teeth, axle and arms (two above it)',
  'direct-drive-hub': 'Force, axle and arms (two above it)',
  'mid-drive': 'Force, gear teeth, chain and cogs',
  external: 'Force, sprockets, their chain and the mount',
};

/** Turns of the field without load, where they are more than every controller follows; pole pairs that nobody has counted ask nothing. */
function fieldCheck({ drive, packs }: KnownBuild, rpm: number): readonly Check[] {
  const field = drive.polePairs.value * rpm;
  if (drive.polePairs.source === 'unknown' || field <= FIELD_RPM[0]) return [];
  return [
    measured({
      id: 'field-turns',
      group: 'drive',
      title: 'Turns of the field for the controller',
      value: field,
      unit: 'rpm',
      sense: 'most',
      fine: FIELD_RPM[0],
      look: FIELD_RPM[1],
      limit: [
        'at most ',
        qty(FIELD_RPM[0], 'rpm', 0),
        ' by blocks, ',
        qty(FIELD_RPM[1], 'rpm', 0),
        ' field-oriented',
      ],
      why: [
        'Pole pairs times the turns without load, ',
        qty(rpm, 'rpm', 0),
        ': a controller that no longer follows them jerks, gets hot or switches off.',
      ],
      remedy: [
        'Ask the controller’s data sheet; set a speed limit, or take fewer volts or a slower winding.',
      ],
      origin: 'common practice',
      inputs: [drive.polePairs, drive.kvRpmPerV, drive.reduction, ...packs.map((pack) => pack.nominalV)],
    }),
  ];
}

/** The motor against its own label: volts, amps, and the turns that follow. */
export function ratingChecks(
  build: { readonly drive: { readonly kind: DriveKind; readonly commutation: string } },
  known: KnownBuild,
  machine: Machine,
): readonly Check[] {
  const { kind, commutation } = build.drive;
  const { drive, packs, controller } = known;
  const runV = Math.max(...packs.map((pack) => pack.nominalV.value));
  const labelV = drive.labelV.value;
  const [fine, look] = commutation === 'brushes' ? BRUSHED_VOLTS : VOLTS[kind];
  const gear = machine.gears.reduce((a, b) => (b.motorRatio < a.motorRatio ? b : a));
  const rpm = (fastestUnloaded(machine) * gear.motorRatio * 30) / Math.PI;
  const mostRpm = commutation === 'brushes' ? undefined : RPM[kind];
  // Volts that are usual for its watts are asked of no label.
  const over = runV > labelV * 1.02 || drive.labelV.source !== 'unknown';
  const own = ownAmps(build.drive, drive.ratedPowerW.value, labelV);
  const rated = drive.ratedPowerW.source !== 'unknown' && drive.labelV.source !== 'unknown';
  return [
    ...(over
      ? [
          measured({
            id: 'over-volts',
            group: 'drive',
            title: 'Volts over the motor’s own',
            value: runV / labelV,
            unit: '1',
            sense: 'most',
            fine,
            look,
            limit: [`at most ${String(fine)} times, look to ${String(look)}`],
            why: voltsWords(machine, labelV, runV),
            remedy: firstOf(
              [
                [
                  runV / labelV > look,
                  [
                    'Ask the motor’s maker, or take one wound for these volts: its wires are thicker and it stays cooler.',
                  ],
                ],
              ],
              ['Watch its temperature, and the turns below; more volts bring speed and no force.'],
            ),
            origin: 'common practice',
            limitFrom: [drive.labelV],
            inputs: [drive.labelV, ...packs.map((pack) => pack.nominalV)],
          }),
        ]
      : []),
    ...(rated
      ? [
          measured({
            id: 'over-amps',
            group: 'drive',
            title: 'Battery amps over the motor’s own',
            value: controller.batteryCurrentA.value / own.amps,
            unit: '1',
            sense: 'most',
            fine: own.fine,
            // A rating is often what the law or a shop wrote: beyond it is looked at, and never stops.
            look: Infinity,
            limit: [
              `at most ${formatNumber(own.fine, 1)} times for minutes, ${formatNumber(Math.max(AMPS[1], own.fine), 1)} for a launch`,
            ],
            why: [
              'Its label is good for about ',
              qty(own.amps, 'A', 0),
              ...(own.fine > AMPS[0]
                ? [', and such a label is the law’s: up to ', qty(own.fine * own.amps, 'A', 0), ' is usual']
                : []),
              `. ${FOLLOWS[kind]} follow the amps, heat their square; the controller’s capacitors suffer first.`,
            ],
            remedy: [
              'Set less, or keep full throttle to launches; a sensor in the winding lets the controller hold back.',
            ],
            origin: 'common practice',
            inputs: [controller.batteryCurrentA, drive.labelV, drive.ratedPowerW],
          }),
        ]
      : []),
    ...(mostRpm === undefined || rpm <= mostRpm
      ? []
      : [
          measured({
            id: 'motor-turns',
            group: 'drive',
            title: 'Motor turns without load',
            value: rpm,
            unit: 'rpm',
            sense: 'most',
            fine: mostRpm,
            look: mostRpm * 1.3,
            limit: ['at most ', qty(mostRpm, 'rpm', 0), ', for its gears'],
            why: ['Planets of plastic wear and whistle; bearings and grease warm.'],
            remedy: ['Set a speed limit, take a smaller wheel’s winding, or fewer volts.'],
            origin: 'common practice',
            inputs: [drive.kvRpmPerV, drive.reduction, ...packs.map((pack) => pack.nominalV)],
          }),
        ]),
    ...(commutation === 'brushes' ? [] : fieldCheck(known, rpm)),
  ];
}

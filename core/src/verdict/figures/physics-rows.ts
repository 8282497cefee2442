import type { BuildDocument } from '../../document/document.ts';
import type { KnownBuild } from '../../document/known-build.ts';
import { massesOf } from '../../document/kept.ts';
import { CHEMISTRIES } from '../../document/chemistries.ts';
import { batteryAmps, type Supply } from '../../machine/battery.ts';
import { feedingAt, supplyOn } from '../../machine/diodes.ts';
import { airForce } from '../../machine/road-load.ts';
import { STANDARD_GRAVITY } from '../../quantity/constants.ts';
import { msToKmh } from '../../quantity/units.ts';
import type { Traction } from '../../ride/traction.ts';
import { electricalWatts } from '../../ride/operating-point.ts';
import { fieldAmps } from '../../ride/weakening.ts';
import { inputRow, stepRow, type WorkingRow } from '../figure.ts';
import { STATED_CHARGE } from '../../ride/stated.ts';
import { type Study } from '../study.ts';

export const FORMULA_SOURCES = [
  'Motor: direct-current equivalent of a permanent-magnet motor, Kt = 60 / (2 pi Kv), an identity in SI units.',
  'Road load: first principles. Air: ISO 2533:1975.',
  'Battery, efficiencies and typical values: from memory; the maker’s data sheet wins.',
] as const;

/** Controllers are often quoted by the crest of the phase current. */
export const PEAK_AMPS =
  'Phase amps are those of the direct-current equivalent: divide a controller’s peak phase amps by 1.155 first (from memory).';

export const NOT_MODELLED =
  'The winding is taken at one warm temperature and the magnets at 20 C (a climb follows both); magnetic saturation is not modelled, and field weakening only as far as the controller states it.';

/** Masses and resistances of the road, as entered. */
export function roadInputs({ known, build }: Study): readonly WorkingRow[] {
  const { trailerKg, trailerLoadKg, trailerCrr, trailerCdaM2 } = known.brief;
  const towing = build.brief.trailer !== 'none';
  const masses = [
    ...massesOf(build, known),
    known.brief.riderMassKg,
    known.brief.loadMassKg,
    ...(towing ? [trailerKg, trailerLoadKg] : []),
  ];
  const trailerRows = !towing
    ? []
    : [inputRow('Crr, trailer', trailerCrr), inputRow('CdA, trailer', trailerCdaM2)];
  return [
    ...masses.map((mass, i) => inputRow(`m${String(i + 1)}`, mass)),
    ...trailerRows,
    inputRow('Crr', known.donor.crr),
    inputRow('CdA', known.donor.cdaM2),
    inputRow('h', known.brief.altitudeM),
    inputRow('T', known.brief.temperatureC),
    inputRow('w', known.brief.headwindMs),
    inputRow('rollout', known.donor.rolloutMm),
  ];
}

/** The packs that drive it: the first of those that are changed over by hand, else all. */
function packInputs({ joining }: BuildDocument, { packs }: KnownBuild): readonly WorkingRow[] {
  const driving = joining.how === 'switch' ? packs.slice(0, 1) : packs;
  return driving.flatMap((pack, i) => {
    const of = i === 0 ? '' : String(i + 1);
    return [
      inputRow(`S${of}`, pack.cellsInSeries),
      inputRow(`Q${of}`, pack.capacityAh),
      inputRow(`health${of}`, pack.healthPct),
      inputRow(`BMS${of}`, pack.bmsCurrentA),
    ];
  });
}

/** What stands behind the terminals while so much flows: one pack, or several behind their diodes. */
function supplyRows({ machine }: Study, supply: Supply, v: number, t: Traction): readonly WorkingRow[] {
  const amps = batteryAmps(supply, electricalWatts(machine, t.gear, t.phaseA, v, supply));
  const feeding = feedingAt(supply, amps);
  const alone =
    supply.behind === undefined
      ? CHEMISTRIES[machine.pack.chemistry].name
      : 'of the highest pack, less its diode’s drop';
  const of =
    feeding.packs === 1 ? alone : `of ${String(feeding.packs)} packs side by side, less their diodes’ drop`;
  return [
    stepRow('Voc', `Open-circuit volts at half charge, ${of}`, feeding.supply.openVolts, 'V'),
    stepRow(
      'Rb',
      feeding.packs === 1 ? 'Pack with leads' : 'Those packs with leads',
      feeding.supply.ohm,
      'ohm',
    ),
  ];
}

/** Motor, pack and controller, as entered. */
export function powerInputs({ known, build }: Study): readonly WorkingRow[] {
  return [
    inputRow('Kv', known.drive.kvRpmPerV),
    inputRow('R20', known.drive.resistanceOhm),
    inputRow('Tw', known.drive.windingC),
    inputRow('Th', known.drive.hysteresisNm),
    inputRow('ce', known.drive.eddyNms),
    inputRow('G', known.drive.reduction),
    inputRow('eta', known.drive.efficiency),
    ...packInputs(build, known),
    inputRow('Ib max', known.controller.batteryCurrentA),
    inputRow('I max', known.controller.phaseCurrentA),
    inputRow('Vlvc', known.controller.lowVoltageCutoffV),
    ...(build.controller.limitsSpeed ? [inputRow('v end', known.controller.assistCutoffKmh)] : []),
    inputRow('Pr', known.brief.riderPowerW),
    inputRow('ring', known.gearing.ringTeeth),
  ];
}

/** Current that is spent against the magnets, where any is. */
function weakeningRows({ machine }: Study, v: number, t: Traction, supply: Supply): readonly WorkingRow[] {
  const { weakening } = machine;
  if (weakening === undefined) return [];
  return [
    stepRow('Ich', 'Amps that would cancel the magnets', weakening.cancelA, 'A'),
    stepRow('Id', 'Amps against the magnets', fieldAmps(machine, t.gear, t.phaseA, v, supply), 'A'),
  ];
}

/** The balance of forces at a steady speed, step by step. */
export function balanceSteps(study: Study, v: number, t: Traction, gradePct: number): readonly WorkingRow[] {
  const { machine } = study;
  const supply = supplyOn(machine, STATED_CHARGE);
  const weight = machine.road.massKg * STANDARD_GRAVITY;
  const cosine = 1 / Math.hypot(1, gradePct / 100);
  const omega = t.gear.motorRatio * v;
  return [
    stepRow('m', 'All masses together', machine.road.massKg, 'kg'),
    stepRow('Crr', 'Rolling at this temperature of the tyres', machine.road.crr, '1'),
    stepRow('rho', 'Air density', machine.road.airDensity, 'kg/m3'),
    ...supplyRows(study, supply, v, t),
    stepRow('R', 'Winding, warm, with controller', machine.circuitOhm, 'ohm'),
    stepRow('cog', 'Cog in use', t.gear.cogTeeth, 'T'),
    ...(t.gear.hubGear === null ? [] : [stepRow('hub', 'Hub gear in use', t.gear.hubGear, '1')]),
    stepRow('n', 'Motor rad/s per m/s of road', t.gear.motorRatio, '1'),
    stepRow('E', 'Back EMF', machine.motor.kt * omega, 'V'),
    ...weakeningRows(study, v, t, supply),
    stepRow('I', `Phase current, held by ${study.limitNames[t.limit]}`, t.phaseA, 'A'),
    stepRow('Fm', 'Motor’s force at the tyre', t.motorN, 'N'),
    stepRow('Fr', 'Rider’s force at the tyre', t.riderN, 'N'),
    stepRow('Froll', 'Rolling', weight * cosine * machine.road.crr, 'N'),
    stepRow('Fgrade', 'Grade', (weight * cosine * gradePct) / 100, 'N'),
    stepRow('Fair', 'Air', airForce(machine.road, v), 'N'),
    stepRow('v', 'Speed at which they balance', msToKmh(v), 'km/h'),
  ];
}

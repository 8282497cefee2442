import type { DriveKind } from './choices.ts';
import { SCHEMA_VERSION, type BuildDocument } from './document.ts';
import { BLANK } from './blank.ts';
import type { Sourced } from './quantity-spec.ts';

const unknown: Sourced = { source: 'unknown' };
const assumed = (value: number): Sourced => ({ source: 'assumed', value });

/** Cogs of a common eight-speed cassette. */
const EIGHT_SPEED = [34, 28, 24, 21, 18, 15, 13, 11];

/**
 * A new build from nothing: every measurement is unknown, so that the card says what to measure; only
 * what the builder has to choose (battery, controller, targets) starts from assumed everyday values.
 */
export function newBuild(name: string, kind: DriveKind = 'geared-hub'): BuildDocument {
  return {
    schemaVersion: SCHEMA_VERSION,
    name,
    job: '',
    summary: '',
    sample: false,
    brief: {
      use: '',
      place: 'gb',
      hillName: '',
      riderMassKg: assumed(80),
      loadMassKg: assumed(5),
      riderPowerW: assumed(75),
      cadenceMinRpm: unknown,
      cadenceMaxRpm: unknown,
      cruiseSpeedKmh: assumed(22),
      hillLengthM: assumed(500),
      hillGradePct: assumed(8),
      distanceKm: assumed(25),
      reservePct: assumed(15),
      temperatureC: unknown,
      altitudeM: unknown,
      headwindMs: unknown,
    },
    donor: {
      name: '',
      style: 'diamond',
      wheelCount: 2,
      operablePedals: 'yes',
      ...BLANK.donor,
      points: {},
      massKg: unknown,
      beadMm: assumed(622),
      tyreMm: assumed(42),
      rolloutMm: unknown,
      crr: unknown,
      cdaM2: unknown,
      wheelbaseMm: unknown,
      massHeightMm: unknown,
      massAheadMm: unknown,
      tyreGrip: unknown,
    },
    drive: {
      name: '',
      kind,
      wheel: 'rear',
      freewheel: kind !== 'direct-drive-hub',
      ...BLANK.drive,
      ratedPowerW: unknown,
      kvRpmPerV: unknown,
      resistanceOhm: unknown,
      hysteresisNm: unknown,
      eddyNms: unknown,
      reduction: unknown,
      efficiency: unknown,
      windingC: unknown,
      massKg: unknown,
    },
    gearing: {
      cogTeeth: EIGHT_SPEED,
      heldCogTeeth: null,
      ...BLANK.gearing,
      hubRatios: [],
      ringTeeth: assumed(42),
      chainEfficiency: unknown,
    },
    pack: {
      name: '',
      chemistry: 'nmc',
      boxes: [{ place: 'down-tube', at: null }],
      nominalV: assumed(48),
      cellsInSeries: unknown,
      capacityAh: assumed(13),
      bmsCurrentA: assumed(30),
      wiringMohm: unknown,
      healthPct: unknown,
      chargeLimitPct: assumed(100),
      massKg: unknown,
      ...BLANK.pack,
    },
    cell: BLANK.cell,
    second: BLANK.second,
    controller: {
      name: '',
      limitsSpeed: true,
      limitsPower: false,
      ...BLANK.controller,
      batteryCurrentA: assumed(18),
      phaseCurrentA: unknown,
      powerLimitW: unknown,
      lowVoltageCutoffV: unknown,
      assistCutoffKmh: assumed(24.9),
      assistTaperKmh: unknown,
      standbyW: unknown,
      resistanceMohm: unknown,
      massKg: unknown,
    },
    cabling: BLANK.cabling,
    charger: BLANK.charger,
    supply: BLANK.supply,
    controls: {
      assistSensor: 'cadence',
      throttle: 'none',
      ...BLANK.controls,
      motorStopsWithPedals: 'unknown',
      brakeCutoffs: 'unknown',
      speedometer: 'unknown',
      classLabel: 'unknown',
      assistRatio: unknown,
      walkCutoffKmh: unknown,
    },
    money: {
      currency: 'GBP',
      budget: null,
      donor: null,
      motor: null,
      pack: null,
      controller: null,
      other: null,
    },
    shelf: {},
  };
}

import type * as z from 'zod';
import type { DriveKind } from './choices.ts';
import { SCHEMA_VERSION, buildDocument, type BuildDocument } from './document.ts';
import type { Sourced } from './quantity-spec.ts';

const assumed = (value: number): Sourced => ({ source: 'assumed', value });

/** Cogs of a common eight-speed cassette. */
const EIGHT_SPEED = [34, 28, 24, 21, 18, 15, 13, 11];

/**
 * A new build from nothing: every measurement is unknown, so that the card says what to measure; only
 * what the builder has to choose (battery, controller, targets) starts from assumed everyday values.
 */
export function newBuild(name: string, kind: DriveKind = 'geared-hub'): BuildDocument {
  return buildDocument.parse({
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
      cruiseSpeedKmh: assumed(22),
      hillLengthM: assumed(500),
      hillGradePct: assumed(8),
      distanceKm: assumed(25),
      reservePct: assumed(15),
    },
    donor: {
      name: '',
      style: 'diamond',
      wheelCount: 2,
      operablePedals: 'yes',
      beadMm: assumed(622),
      tyreMm: assumed(42),
    },
    drive: {
      name: '',
      kind,
      wheel: 'rear',
      freewheel: kind !== 'direct-drive-hub',
    },
    gearing: {
      cogTeeth: EIGHT_SPEED,
      heldCogTeeth: null,
      ringTeeth: assumed(42),
    },
    packs: [
      {
        name: '',
        chemistry: 'nmc',
        boxes: [{ place: 'down-tube', at: null }],
        nominalV: assumed(48),
        capacityAh: assumed(13),
        bmsCurrentA: assumed(30),
        chargeLimitPct: assumed(100),
      },
    ],
    controller: {
      name: '',
      limitsSpeed: true,
      limitsPower: false,
      batteryCurrentA: assumed(18),
      assistCutoffKmh: assumed(24.9),
    },
    controls: {
      assistSensor: 'cadence',
      throttle: 'none',
    },
    money: {
      currency: 'GBP',
      budget: null,
    },
  } satisfies z.input<typeof buildDocument>);
}

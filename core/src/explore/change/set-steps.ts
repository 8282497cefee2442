import type { BuildDocument } from '../../document/document.ts';
import { knownBuild } from '../../document/known.ts';
import type { Known, KnownBuild } from '../../document/known-build.ts';
import type { Sourced } from '../../document/quantity-spec.ts';
import { withBatteryLimit } from '../../document/turned-down.ts';
import { hasBoard } from '../../document/pack-board.ts';
import type { Part } from '../../parts/part.ts';
import { formatNumber } from '../../quantity/format.ts';
import { qty, type Phrase } from '../../quantity/phrase.ts';
import { unreadOf } from '../../document/worked.ts';
import type { ChangeStep, StepKind } from './step.ts';

const assumed = (value: number): Sourced => ({ source: 'assumed', value });
const number = (value: number, digits = 0): string => formatNumber(value, digits);

const setting = (
  kind: StepKind,
  id: string,
  what: Phrase,
  note: string,
  change: ChangeStep['change'],
  against: Phrase = [],
): ChangeStep => ({
  id: `${kind}/${id}`,
  kind,
  what,
  against,
  note,
  setting: true,
  part: undefined,
  pieces: 1,
  money: 0,
  change,
});

/** The battery limit up to what the pack's protection carries for ever, by the same controller. */
function currentLimit(
  build: BuildDocument,
  known: KnownBuild,
  parts: readonly Part[],
): readonly ChangeStep[] {
  const { batteryCurrentA } = known.controller;
  const board = known.packs[0].bmsCurrentA;
  if (board.source === 'unknown' || batteryCurrentA.source === 'unknown' || !hasBoard(build.packs[0]))
    return [];
  const own = parts.find((p) => p.type === 'controller' && p.name === build.controller.name);
  const rated = own?.type === 'controller' ? own.batteryCurrentA : undefined;
  const amps = Math.floor(Math.min(board.value, rated ?? Infinity));
  if (amps <= batteryCurrentA.value) return [];
  return [
    setting(
      'amps',
      'set',
      [`Current limit ${number(batteryCurrentA.value)} to ${number(amps)} A`],
      rated === undefined
        ? 'a setting, if the controller is made for it: ask its data sheet'
        : 'a setting, within what its label says',
      (b) => withBatteryLimit(b, amps),
    ),
  ];
}

/** Limits taken off: what that gains, and what it costs in law, is told; nothing of it is hidden. */
function limits(build: BuildDocument, known: KnownBuild): readonly ChangeStep[] {
  const { limitsSpeed, limitsPower } = build.controller;
  const { assistCutoffKmh, powerLimitW } = known.controller;
  const kmh = qty(assistCutoffKmh.value, 'km/h', 1);
  const watts = qty(powerLimitW.value, 'W', 0);
  const isRead = (limit: Known): boolean => unreadOf(limit).length === 0;
  const speed = setting(
    'speed-limit',
    'off',
    isRead(assistCutoffKmh) ? ['Speed limit of ', kmh, ' lifted'] : ['Speed limit lifted'],
    'help goes on to where the motor itself ends',
    (b) => ({ ...b, controller: { ...b.controller, limitsSpeed: false } }),
    isRead(assistCutoffKmh) ? [] : [kmh],
  );
  const power = setting(
    'power-limit',
    'off',
    isRead(powerLimitW) ? ['Power limit of ', watts, ' lifted'] : ['Power limit lifted'],
    'more of the current that the controller is made for',
    (b) => ({ ...b, controller: { ...b.controller, limitsPower: false } }),
    isRead(powerLimitW) ? [] : [watts],
  );
  return [...(limitsSpeed ? [speed] : []), ...(limitsPower ? [power] : [])];
}

/** Coupling fluid sits in the gap of a direct-drive hub; a geared motor's inside is no place for it. */
const fluid = ({ drive }: BuildDocument): readonly ChangeStep[] =>
  drive.kind === 'direct-drive-hub' && !drive.fluid
    ? [
        {
          ...setting(
            'fluid',
            'in',
            ['Fluid in the motor’s gap'],
            'ask the maker: seals and bearings differ',
            (b) => ({
              ...b,
              drive: { ...b.drive, fluid: true },
            }),
          ),
          setting: false,
        },
      ]
    : [];

/** Feels how hard the pedals are pressed, where only their turning was felt. */
const sensor = ({ controls, drive }: BuildDocument): readonly ChangeStep[] =>
  controls.assistSensor === 'cadence' && drive.kind !== 'mid-drive'
    ? [
        {
          ...setting(
            'sensor',
            'torque',
            ['Torque sensor for the cadence sensor'],
            'display and controller have to know it',
            (b) => ({ ...b, controls: { ...b.controls, assistSensor: 'torque' } }),
          ),
          setting: false,
        },
      ]
    : [];

/** Riding a tenth slower, and leaving a part of the load at home. */
function habits(known: KnownBuild): readonly ChangeStep[] {
  const { cruiseSpeedKmh, loadMassKg } = known.brief;
  const slower = Math.round(0.9 * cruiseSpeedKmh.value);
  // Of a load that nobody has told there is nothing to leave at home.
  const less = unreadOf(loadMassKg).length > 0 ? 0 : Math.min(10, loadMassKg.value);
  const [usual, slow] = [qty(cruiseSpeedKmh.value, 'km/h', 0), qty(slower, 'km/h', 0)];
  const isChosen = unreadOf(cruiseSpeedKmh).length === 0;
  return [
    setting(
      'cruise',
      'slower',
      isChosen ? ['Ride at ', slow, ' instead of ', usual] : ['Ride at ', slow],
      'a habit, not a part',
      (b) => ({ ...b, brief: { ...b.brief, cruiseSpeedKmh: assumed(slower) } }),
      isChosen ? [] : [usual],
    ),
    ...(less >= 1
      ? [
          setting(
            'load',
            'less',
            [qty(less, 'kg', 0), ' less on board'],
            'carried in two ways, or left at home',
            (b) => ({
              ...b,
              brief: { ...b.brief, loadMassKg: assumed(loadMassKg.value - less) },
            }),
          ),
        ]
      : []),
  ];
}

/** Every change that is set, filled in or a habit. */
export function setSteps(build: BuildDocument, parts: readonly Part[]): readonly ChangeStep[] {
  const known = knownBuild(build);
  return [
    ...currentLimit(build, known, parts),
    ...limits(build, known),
    ...fluid(build),
    ...sensor(build),
    ...habits(known),
  ];
}

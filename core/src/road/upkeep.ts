import { isHubMotor } from '../document/choices.ts';
import type { BuildDocument } from '../document/document.ts';
import { dayAfter, daysBetween } from '../workshop/schedule/days.ts';
import type { RideRecord, UpkeepRecord } from './ride-record.ts';

/** Something to look after: after so many km, or so many days, whichever comes first. */
export interface UpkeepTask {
  readonly key: string;
  readonly name: string;
  readonly how: string;
  /** The first time earlier than from then on, where parts settle. */
  readonly firstKm?: number;
  readonly everyKm?: number;
  readonly everyDays?: number;
  readonly why: string;
}

type Rule = (build: BuildDocument) => UpkeepTask | undefined;
const PRACTICE = 'common practice, no source';

/** Rules of upkeep in the order of the look over a machine. Distances and days: common practice, no source. */
const RULES: readonly Rule[] = [
  () => ({
    key: 'tyres',
    name: 'Tyres: pressure and cuts',
    how: 'Press or gauge; look for glass and for cords that show.',
    everyDays: 14,
    everyKm: 200,
    why: PRACTICE,
  }),
  () => ({
    key: 'brakes',
    name: 'Brake pads and cables',
    how: 'Pads thicker than a millimetre over the metal, levers firm, nothing rubs.',
    firstKm: 100,
    everyKm: 500,
    why: `${PRACTICE}: a heavier, faster machine wears them sooner; braking by the motor spares them`,
  }),
  (build) =>
    isHubMotor(build)
      ? {
          key: 'spokes',
          name: 'Spokes of the motor wheel',
          how: 'Pluck them in pairs: one that is dull is tightened a quarter turn.',
          firstKm: 50,
          everyKm: 300,
          why: `${PRACTICE}: new lacing settles in the first 50 km`,
        }
      : undefined,
  (build) =>
    isHubMotor(build)
      ? {
          key: 'axle-nuts',
          name: 'Axle nuts and torque arms',
          how: 'Torque wrench on both nuts; arms without play on the flats.',
          firstKm: 50,
          everyKm: 500,
          why: PRACTICE,
        }
      : undefined,
  (build) =>
    build.drive.kind === 'mid-drive'
      ? {
          key: 'lockring',
          name: 'Motor’s lock ring and crank bolts',
          how: 'Torque wrench: the ring, then both cranks; no knock when the cranks are rocked.',
          firstKm: 50,
          everyKm: 500,
          why: `${PRACTICE}: a taper beds in`,
        }
      : undefined,
  (build) =>
    build.drive.kind === 'external'
      ? {
          key: 'external',
          name: 'Motor’s mount and its own chain or belt',
          how: 'Battery off. Bolts of the mount tight, chain or belt in line and at its tension, cover on.',
          firstKm: 50,
          everyKm: 300,
          why: `${PRACTICE}: a mount that gives lets the chain climb off`,
        }
      : undefined,
  (build) =>
    build.drive.commutation === 'brushes'
      ? {
          key: 'motor-brushes',
          name: 'Brushes of the motor',
          how: 'Battery off. Brushes longer than a third of new, springs free, commutator brown and smooth; dust blown out.',
          firstKm: 500,
          everyKm: 1000,
          everyDays: 365,
          why: `${PRACTICE}: a brush worn to its spring scores the commutator`,
        }
      : undefined,
  (build) => {
    const mid = build.drive.kind === 'mid-drive';
    return {
      key: 'chain',
      name: 'Chain and cogs',
      how: 'Chain gauge; past 0.75 % it is changed before it takes the cogs with it.',
      everyKm: mid ? 800 : 1500,
      why: mid ? `${PRACTICE}: it carries the motor as well` : PRACTICE,
    };
  },
  () => ({
    key: 'plugs',
    name: 'Plugs and leads',
    how: 'Battery off. No plug brown or loose, no lead chafed, seals tight; feel plugs after a hill.',
    firstKm: 100,
    everyKm: 1000,
    everyDays: 180,
    why: PRACTICE,
  }),
  ({ packs: [{ chemistry }] }) => ({
    key: 'pack',
    name: 'Pack: groups, case and mounts',
    how:
      chemistry === 'lead-acid'
        ? 'Each block at rest the day after charging; terminals clean, strap tight.'
        : 'Spread of the groups at rest; case not swollen, mounts without play. A swollen pack stays outside.',
    everyKm: 1000,
    everyDays: 90,
    why: PRACTICE,
  }),
  () => ({
    key: 'bearings',
    name: 'Bearings and headset',
    how: 'Rock wheels and fork, turn each by hand: no play, no grit.',
    everyKm: 3200,
    everyDays: 365,
    why: PRACTICE,
  }),
  (build) =>
    build.drive.fluid
      ? {
          key: 'fluid',
          name: 'Fluid in the motor',
          how: 'No weeping at cover and axle; top up by what was lost.',
          everyKm: 3200,
          everyDays: 365,
          why: PRACTICE,
        }
      : undefined,
  () => ({
    key: 'review',
    name: 'The whole machine, bolt by bolt',
    how: 'The bench’s list from wheel to wheel, on the stand.',
    everyKm: 3200,
    everyDays: 365,
    why: PRACTICE,
  }),
];

/** What a build asks to be looked after. */
export const upkeepTasks = (build: BuildDocument): readonly UpkeepTask[] =>
  RULES.flatMap((rule) => rule(build) ?? []);

/** How a task stands. */
export interface UpkeepRow {
  readonly task: UpkeepTask;
  readonly last: UpkeepRecord | undefined;
  /** At which distance it is due, km, and how far that is; undefined for a task of days alone. */
  readonly dueKm: number | undefined;
  readonly leftKm: number | undefined;
  readonly dueOn: string | undefined;
  readonly leftDays: number | undefined;
  readonly state: 'due' | 'soon' | 'later' | 'unknown';
}

export interface Upkeep {
  readonly km: number;
  /** The first day that is known of; undefined where nothing was ridden yet. */
  readonly since: string | undefined;
  readonly rows: readonly UpkeepRow[];
}

/** Due within these is soon. */
const SOON_KM = 50;
const SOON_DAYS = 7;

function rowOf(
  task: UpkeepTask,
  last: UpkeepRecord | undefined,
  km: number,
  since: string | undefined,
  today: string,
): UpkeepRow {
  const every = last === undefined ? (task.firstKm ?? task.everyKm) : task.everyKm;
  const dueKm = every === undefined ? undefined : (last?.km ?? 0) + every;
  const from = last?.on ?? since;
  const dueOn =
    task.everyDays === undefined || from === undefined ? undefined : dayAfter(from, task.everyDays);
  const leftKm = dueKm === undefined ? undefined : dueKm - km;
  const leftDays = dueOn === undefined ? undefined : daysBetween(today, dueOn);
  const due = (leftKm ?? 1) <= 0 || (leftDays ?? 1) <= 0;
  const soon = (leftKm ?? Infinity) <= SOON_KM || (leftDays ?? Infinity) <= SOON_DAYS;
  const near = soon ? 'soon' : 'later';
  const state = due ? 'due' : near;
  return { task, last, dueKm, leftKm, dueOn, leftDays, state: since === undefined ? 'unknown' : state };
}

/**
 * What is due, by the km of the rides and by the days since: before a first ride nothing is.
 * @param rides those that count
 * @param today ISO 8601
 */
export function upkeepOf(
  build: BuildDocument,
  rides: readonly Pick<RideRecord, 'on' | 'distanceKm'>[],
  done: readonly UpkeepRecord[],
  today: string,
): Upkeep {
  const km = rides.reduce((sum, r) => sum + (r.distanceKm ?? 0), 0);
  const days = rides.map((r) => r.on).sort();
  const [since] = days;
  const lastOf = (key: string): UpkeepRecord | undefined =>
    done
      .filter((d) => d.task === key)
      .reduce<UpkeepRecord | undefined>((a, b) => (a !== undefined && a.on > b.on ? a : b), undefined);
  return {
    km,
    since,
    rows: upkeepTasks(build).map((task) => rowOf(task, lastOf(task.key), km, since, today)),
  };
}

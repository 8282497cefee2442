import { stays } from '../../document/kept.ts';
import { motorCount } from '../../document/motors.ts';
import { firstOf } from '../../quantity/first-of.ts';
import type { BuildDocument } from '../../document/document.ts';
import { NOTHING_TOLD } from '../../document/schedule.ts';
import type { Row } from '../parts-list/purchase-list.ts';
import { counts } from '../parts-list/purchase-list.ts';

/** Pieces of work of every conversion, in the order in which they are usually done. */
const TASKS = [
  'strip',
  'inspect',
  'build-pack',
  'lace',
  'fit-motor',
  'brakes',
  'fit-controls',
  'fit-pack',
  'wire',
  'bench',
  'first-ride',
  'range-run',
] as const;
type TaskId = (typeof TASKS)[number];

const TASK_NAMES: Readonly<Record<TaskId, string>> = {
  strip: 'Photograph, dismantle, clean',
  inspect: 'Inspect frame and wheels',
  'build-pack': 'Build the pack from its cells',
  lace: 'Lace and true the motor wheel',
  'fit-motor': 'Fit the motor',
  brakes: 'Brakes',
  'fit-controls': 'Sensors, display, throttle',
  'fit-pack': 'Fit the pack',
  wire: 'Wire',
  bench: 'Bench and settings',
  'first-ride': 'First ride',
  'range-run': 'Range run',
};

/** One task with its hours, and where they come from. */
export interface Task {
  readonly id: string;
  readonly name: string;
  readonly hours: number;
  /** The usual of somebody of that experience, what this shop took before, or entered. */
  readonly hoursFrom: 'usual' | 'learnt' | 'entered';
  readonly usualHours: number;
  readonly dries: number;
  readonly after: readonly string[];
  /** Rows of the list that it waits for. */
  readonly rows: readonly Row[];
  readonly notBefore: string;
  readonly took: number | null;
}

/** Against somebody who has done it some times. Common practice, no source. */
const PACE = { first: 1.6, some: 1, practised: 0.7 } as const;
/** Experience that nobody has entered: the slowest, so that a day is not promised too early. */
const USUAL_EXPERIENCE = 'first';

/** Medium thread locker is firm after a day; a frame's glue or paint as long. Makers' data sheets, from memory. */
const LOCKER_CURES_H = 24;
/** Welds of a cell: five each side and its checks, about three minutes. Common practice, no source. */
const HOURS_A_CELL = 0.05;

const keyOf = (row: Row): string => row.key.split('/')[0] ?? row.key;

/** Lines that a task other than that of their group waits for. */
const TASK_OF_LINE: Readonly<Record<string, TaskId>> = {
  ...group('strip', ['donor', 'crank-puller', 'cog-tool', 'shell-tool', 'chain-tool', 'cleaner']),
  ...group('inspect', ['rivet-nuts', 'rivet-tool']),
  ...group('build-pack', [
    'cells',
    'cell-holders',
    'nickel',
    'insulation',
    'board',
    'pack-wrap',
    'block-links',
    'spot-welder',
  ]),
  ...group('lace', ['spokes', 'spoke-key']),
  ...group('brakes', [
    'brake-pads',
    'brake-cables',
    'brake-outers',
    'hose-fittings',
    'caliper-adapter',
    'disc-spacers',
    'hydraulic-bleed',
  ]),
  ...group('fit-pack', [
    'pack',
    'cradle',
    'rail-bolts',
    'pack-clamps',
    'rack-plate',
    'rain-cover',
    'pack-lock',
  ]),
  ...group('wire', ['controller', 'fuse', 'pre-charge', 'combiner', 'converter', 'light-cells', 'lamps']),
  ...group('wire', ['crimp-tool', 'iron', 'tape']),
  ...group('bench', ['charger', 'meter']),
  ...group('first-ride', ['bell', 'mirror', 'plate', 'reflectors', 'label']),
  // A spare holds no ride up but the long one.
  ...group('range-run', ['spare-fuse', 'spare-hanger']),
};
function group(task: TaskId, keys: readonly string[]): Record<string, TaskId> {
  return Object.fromEntries(keys.map((key) => [key, task]));
}

const TASK_OF_GROUP: Readonly<Record<Row['group'], TaskId>> = {
  drive: 'fit-motor',
  power: 'fit-pack',
  fitting: 'fit-motor',
  wiring: 'wire',
  controls: 'fit-controls',
  wheels: 'fit-motor',
  consumables: 'fit-motor',
  tools: 'fit-motor',
};

/** The task that waits for a row: what is added by hand is wanted before the bench. */
function taskOfRow(row: Row, has: (id: TaskId) => boolean): TaskId {
  if (row.from === 'added') return 'bench';
  const wanted = TASK_OF_LINE[keyOf(row)] ?? TASK_OF_GROUP[row.group];
  if (keyOf(row) === 'motor' && has('lace')) return 'lace';
  if (has(wanted)) return wanted;
  return has('fit-motor') ? 'fit-motor' : 'inspect';
}

/** Hours of somebody who has done it some times. Common practice, no source. */
function hoursOf(id: TaskId, build: BuildDocument, rows: readonly Row[]): number {
  const { drive } = build;
  const motors = motorCount(build);
  const quantity = (key: string): number => rows.find((r) => r.key === key)?.quantity ?? 0;
  switch (id) {
    case 'strip':
      return 2;
    case 'inspect':
      return quantity('rivet-nuts') > 0 ? 1.5 : 1;
    case 'build-pack':
      return 4 + HOURS_A_CELL * quantity('cells');
    case 'lace':
      return 3 * motors;
    case 'fit-motor':
      return (
        { 'mid-drive': 2.5, external: 6, 'geared-hub': 1.5, 'direct-drive-hub': 1.5 }[drive.kind] * motors
      );
    case 'brakes':
      return 1;
    case 'fit-controls':
      return 1.5;
    case 'fit-pack':
      return 1 + 0.5 * build.packs.length;
    case 'wire':
      return 3 + build.packs.length + (build.supply.accessories.length > 0 ? 1 : 0);
    case 'bench':
      return 2.5;
    case 'first-ride':
      return 1;
    case 'range-run':
      return 3;
  }
}

const AFTER: Readonly<Record<TaskId, readonly TaskId[]>> = {
  strip: [],
  inspect: ['strip'],
  'build-pack': [],
  lace: ['inspect'],
  'fit-motor': ['inspect', 'lace'],
  brakes: ['fit-motor'],
  'fit-controls': ['strip'],
  'fit-pack': ['inspect', 'build-pack'],
  wire: ['fit-motor', 'fit-controls', 'fit-pack'],
  bench: ['wire', 'brakes'],
  'first-ride': ['bench', 'fit-motor'],
  'range-run': ['first-ride'],
};

/** Ratios of hours taken to usual hours by task, as a shop has learnt them. */
export type Learnt = Readonly<Partial<Record<string, number>>>;

/**
 * The work of a build as tasks: what is to be done, in how many hours, after what, and for which rows of the list it waits.
 * @param learnt what this shop took against the usual, by task
 */
export function tasksOf(build: BuildDocument, rows: readonly Row[], learnt: Learnt = {}): readonly Task[] {
  const list = rows.filter(counts);
  const keys = new Set(list.map(keyOf));
  const present = TASKS.filter(
    (id) =>
      (id !== 'build-pack' || keys.has('cells') || keys.has('block-links')) &&
      (id !== 'fit-motor' || !stays(build, 'motor')) &&
      (id !== 'lace' || keys.has('spokes')) &&
      (id !== 'brakes' ||
        ['brake-pads', 'brake-cables', 'caliper-adapter', 'disc-spacers'].some((key) => keys.has(key))),
  );
  const has = (id: TaskId): boolean => present.includes(id);
  const told = (id: string) => build.schedule.tasks[id] ?? NOTHING_TOLD;
  const pace = PACE[build.schedule.experience ?? USUAL_EXPERIENCE];
  const { own } = build.schedule;
  const usual = present.map((id): Task => {
    const { hours, dries, notBefore, took } = told(id);
    const usualHours = hoursOf(id, build, list) * pace;
    const ratio = learnt[id];
    const guess = ratio === undefined ? usualHours : usualHours * ratio;
    return {
      id,
      name: TASK_NAMES[id],
      hours: hours ?? guess,
      hoursFrom: firstOf(
        [
          [hours !== null, 'entered'],
          [ratio !== undefined, 'learnt'],
        ],
        'usual',
      ),
      usualHours,
      dries: dries ?? (id === 'fit-motor' && keys.has('thread-lock') ? LOCKER_CURES_H : 0),
      after: [...AFTER[id].filter(has), ...own.filter((o) => o.before === id).map((o) => o.key)],
      rows: list.filter((row) => taskOfRow(row, has) === id),
      notBefore,
      took,
    };
  });
  const added = own.map(({ key, what, before }): Task => {
    const { hours, dries, notBefore, took } = told(key);
    return {
      id: key,
      name: what,
      hours: hours ?? 1,
      hoursFrom: hours === null ? 'usual' : 'entered',
      usualHours: 1,
      dries: dries ?? 0,
      // What is added waits for the bicycle to be taken apart, unless it comes before that.
      after: before === 'strip' || !has('strip') ? [] : ['strip'],
      rows: [],
      notBefore,
      took,
    };
  });
  return [...usual, ...added];
}

/** How long a task's work dries before another is begun: thread locker cures before it is ridden, not before it is wired. */
export const driesBefore = (task: Task, follower: string): number =>
  task.id === 'fit-motor' && follower !== 'first-ride' ? 0 : task.dries;

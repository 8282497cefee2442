import { numberedId as numbered, packsFeed } from '../../document/current-cables.ts';
import { controllersBeside } from '../../document/motors.ts';
import { hasHandLever } from '../../document/throttle.ts';
import type { BuildDocument } from '../../document/document.ts';
import type { PlugSex } from '../../document/harness.ts';
import type { PinSet } from './ports.ts';

/** A join of two components: a cable with a plug pair in it. */
export interface JoinSpec {
  readonly key: string;
  readonly name: string;
  readonly carries: string;
  readonly kind: 'power' | 'phase' | 'signal';
  readonly from: {
    readonly component: string;
    readonly port: string;
    readonly sex: PlugSex;
    readonly live?: boolean;
  };
  readonly to: JoinSpec['from'];
  readonly set: PinSet;
  readonly plug: string;
  /** A lead between the halves joins like to like. */
  readonly adapter?: boolean;
}

interface Box {
  readonly id: string;
  readonly name: string;
  readonly note: string;
}

const named = (name: string, other: string): string => (name.trim() === '' ? other : name.trim());

/** Boxes and joins as they are put together. */
interface Draft {
  readonly boxes: Box[];
  readonly joins: JoinSpec[];
}
type Side = JoinSpec['from'];
type Kind = readonly [set: PinSet, plug: string, kind: JoinSpec['kind']];

const POWER: Kind = ['power', 'power plug', 'power'];

function join(
  draft: Draft,
  key: string,
  carries: string,
  [set, plug, kind]: Kind,
  from: Side,
  to: Side,
): void {
  draft.joins.push({ key, name: carries, carries, kind, set, plug, from, to });
}
/** The side that gives the volts has the sockets. */
const giver = (component: string, port: string): Side => ({ component, port, sex: 'sockets', live: true });
const taker = (component: string, port: string): Side => ({ component, port, sex: 'pins' });

/** A part at the controller: the controller gives the volts, and has the sockets. */
function atController(draft: Draft, id: string, name: string, carries: string, set: PinSet, note = ''): void {
  draft.boxes.push({ id, name, note });
  join(
    draft,
    `${id}-controller`,
    carries,
    [set, `${carries.split(' ').at(-1) ?? ''} plug`, 'signal'],
    taker(id, 'plug'),
    {
      component: 'controller',
      port: id,
      sex: 'sockets',
    },
  );
}

/** Blocks in series are joined by links of their own, inside the box of the pack. */
const blocksOf = ({ chemistry, boxes }: BuildDocument['packs'][number]): string =>
  chemistry === 'lead-acid' && boxes.length > 1
    ? `${String(boxes.length)} blocks, ${String(boxes.length - 1)} link${boxes.length === 2 ? '' : 's'}`
    : '';

/** Packs with their chargers, and what joins several. */
function packJoins(draft: Draft, build: BuildDocument): void {
  const { packs, joining } = build;
  const feeds = packsFeed(build);
  packs.forEach((pack, i) => {
    const [id, charger] = [numbered('pack', i), numbered('charger', i)];
    const name = named(pack.name, i === 0 ? 'Pack' : `Pack ${String(i + 1)}`);
    draft.boxes.push({ id, name, note: blocksOf(pack) });
    join(draft, `${id}-${feeds}`, `power, ${name}`, POWER, giver(id, 'out'), taker(feeds, numbered('in', i)));
    draft.boxes.push({ id: charger, name: named(pack.charger.name, 'Charger'), note: 'only to charge' });
    join(
      draft,
      `${id}-charger`,
      'charging',
      ['charge', 'charge plug', 'power'],
      giver(id, 'charge'),
      taker(charger, 'plug'),
    );
  });
  if (packs.length < 2) return;
  const name = { switch: 'Change-over switch', combiner: 'Combiner', parallel: 'Parallel lead' }[joining.how];
  draft.boxes.push({ id: 'combiner', name, note: '' });
  join(
    draft,
    'combiner-controller',
    'power, joined',
    POWER,
    giver('combiner', 'out'),
    taker('controller', 'in'),
  );
}

/** The controller of a second motor: on a branch of the battery lead, and told of hand or feet and of the brakes. */
function secondController(draft: Draft, build: BuildDocument): void {
  if (controllersBeside(build) < 2) return;
  const { controls, controller } = build;
  draft.boxes.push({ id: 'controller-2', name: `${named(controller.name, 'Controller')}, second`, note: '' });
  join(
    draft,
    'controller-controller-2',
    'power, branch',
    POWER,
    giver('controller', 'branch'),
    taker('controller-2', 'in'),
  );
  join(
    draft,
    'controller-2-shared',
    'signals of both controllers',
    [controls.throttle === 'none' ? 'sharedFeet' : 'shared', 'signal plug', 'signal'],
    { component: 'controller', port: 'shared', sex: 'sockets' },
    taker('controller-2', 'shared'),
  );
}

/** Phases and sensors of each motor; those of one with its controller inside are nobody's plugs. */
function motorJoins(draft: Draft, build: BuildDocument): void {
  const { drive } = build;
  const count = controllersBeside(build);
  if (count === 0) return;
  const brushed = drive.commutation === 'brushes';
  for (let i = 0; i < count; i += 1) {
    const id = numbered('motor', i);
    const at = numbered('controller', i);
    const of = i === 0 ? '' : ', second motor';
    const name = named(drive.name, 'Motor');
    draft.boxes.push({ id, name: i === 0 ? name : `${name}, second`, note: '' });
    const phases: Kind = brushed ? ['brushes', 'phase plug', 'phase'] : ['phases', 'phase plug', 'phase'];
    join(
      draft,
      `${id}-phases`,
      `${brushed ? 'motor leads' : 'phases'}${of}`,
      phases,
      giver(at, `${id}-phases`),
      taker(id, 'phases'),
    );
    if (!brushed)
      join(
        draft,
        `${id}-halls`,
        `rotor position, 5 V, heat${of}`,
        ['halls', 'sensor plug', 'signal'],
        taker(id, 'halls'),
        {
          component: at,
          port: `${id}-halls`,
          sex: 'sockets',
        },
      );
  }
}

/** What is worked and read at bar and bracket. */
function controlJoins(draft: Draft, { drive, controller, controls, donor, gearing }: BuildDocument): void {
  const middle = drive.kind === 'mid-drive';
  const inside = controller.place === 'motor' && middle;
  const torque = controls.assistSensor === 'torque';
  const parts: readonly (readonly [boolean, string, string, string, PinSet])[] = [
    [true, 'display', 'Display', 'display', 'display'],
    [
      hasHandLever({ controls }),
      'throttle',
      controls.throttle === 'walk' ? 'Walk lever' : 'Throttle',
      'throttle',
      'throttle',
    ],
    // A mid-drive has its own at the spindle.
    [
      controls.assistSensor !== 'none' && !inside,
      'assist',
      torque ? 'Torque sensor' : 'Assist sensor',
      'assist',
      torque ? 'torque' : 'assist',
    ],
    [donor.brakeFront !== 'none', 'brake-front', 'Brake, front', 'front cut-off', 'brake'],
    [
      donor.brakeRear !== 'none' && donor.brakeRear !== 'coaster',
      'brake-rear',
      'Brake, rear',
      'rear cut-off',
      'brake',
    ],
    [gearing.shiftSensor === 'yes' && middle, 'shift', 'Shift sensor', 'shift', 'shift'],
    [middle, 'speed', 'Speed sensor', 'speed', 'speed'],
    [controls.throttle === 'full', 'key', 'Key switch', 'key', 'key'],
  ];
  for (const [is, id, name, carries, set] of parts) if (is) atController(draft, id, name, carries, set);
}

/** Lamps, horn and outlets, and what feeds them. */
function accessoryJoins(draft: Draft, { supply }: BuildDocument): void {
  if (supply.accessories.length === 0) return;
  const lamp: Kind = ['lamps', 'lamp plug', 'signal'];
  if (supply.means === 'converter') {
    draft.boxes.push({ id: 'converter', name: 'Converter', note: '' });
    join(
      draft,
      'converter-controller',
      'supply of the converter',
      ['aux', 'lamp plug', 'signal'],
      giver('controller', 'aux'),
      taker('converter', 'in'),
    );
  }
  if (supply.means === 'own-cells')
    draft.boxes.push({ id: 'light-cells', name: 'Cells of the lights', note: 'own switch' });
  const source = supply.means === 'own-cells' ? 'light-cells' : 'controller';
  const fed = supply.means === 'converter' ? 'converter' : source;
  supply.accessories.forEach((one, i) => {
    const id = `accessory-${String(i + 1)}`;
    draft.boxes.push({ id, name: named(one.name, 'Accessory'), note: '' });
    join(
      draft,
      `${id}-supply`,
      named(one.name, 'accessory').toLowerCase(),
      lamp,
      giver(fed, `out-${String(i + 1)}`),
      taker(id, 'plug'),
    );
  });
}

/** The plug that settings go in by: nothing of it stays on the machine but the half of the controller. */
function programmerJoin(draft: Draft, { controller }: BuildDocument): void {
  if (controller.reached === 'lead')
    atController(draft, 'programmer', 'Programming lead', 'programming', 'program', 'only to set');
}

/** What is joined, and by which cables, of a build. */
export function joinsOf(build: BuildDocument): Draft {
  const draft: Draft = { boxes: [], joins: [] };
  packJoins(draft, build);
  draft.boxes.push({ id: 'controller', name: named(build.controller.name, 'Controller'), note: '' });
  secondController(draft, build);
  motorJoins(draft, build);
  controlJoins(draft, build);
  programmerJoin(draft, build);
  accessoryJoins(draft, build);
  return draft;
}

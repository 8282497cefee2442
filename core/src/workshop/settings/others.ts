import type { PlannedAnswer } from '../../document/choices.ts';
import type { State } from '../../check/state.ts';
import type { OtherSetting } from '../../document/settings.ts';
import type { Job } from '../job.ts';

/** A setting that many controllers have and no plan works out: offered by name, with why it is noted. */
export interface UsualSetting {
  readonly key: string;
  readonly name: string;
  /** What is usually meant, as an example in its field. */
  readonly example: string;
  readonly because: string;
  /** What happens where it is wrong. */
  readonly ifWrong: string;
}

/** What Law has of whether the rider can lift the limit: a menu that was found has to be told there, too. */
const AT_LAW: Readonly<Record<PlannedAnswer, string>> = {
  yes: 'Law counts it: the rider can lift the limit.',
  no: 'Law has it that the rider cannot lift the limit: true only where this menu cannot be opened.',
  planned: 'Law has it planned that the rider cannot lift the limit: say there what you found.',
  unknown: 'Law does not know yet whether the rider can lift the limit: say there what you found.',
};

const driven = ({ build: { controls } }: Job): boolean =>
  controls.throttle !== 'none' && controls.throttle !== 'walk';

/** Common practice, no source: the names differ from controller to controller. */
const USUAL: readonly (UsualSetting & {
  readonly counts: (job: Job) => boolean;
  /** What Law has of the same. */
  readonly atLaw?: (job: Job) => string;
})[] = [
  {
    key: 'own-values',
    name: 'Its maker’s own values',
    example: 'photographed, file in the job’s folder',
    because: 'kept before the first change, it can be put back as it came',
    ifWrong: 'Without them a wrong value cannot be told from the maker’s.',
    counts: () => true,
  },
  {
    key: 'direction',
    name: 'Direction of the motor',
    example: 'forward',
    because: 'seen with the wheel off the ground',
    ifWrong: 'It runs backwards at the first touch.',
    counts: () => true,
  },
  {
    key: 'hall-angle',
    name: 'Hall angle',
    example: '120°',
    because: 'as Wire’s “Phases and halls” found it; nearly all are 120°',
    ifWrong: 'The motor stutters, draws much and gets hot.',
    counts: ({ build }) => build.drive.commutation === 'electronic',
  },
  {
    key: 'speed-from',
    name: 'Speed is counted from',
    example: 'magnet on the wheel',
    because: 'a motor behind a freewheel stands while the wheel rolls',
    ifWrong: 'The speed reads nothing as it coasts, and the counter runs short.',
    counts: ({ build }) => build.drive.kind !== 'mid-drive',
  },
  {
    key: 'brake-input',
    name: 'Brake lever acts when its wire is',
    example: 'joined to ground',
    because: 'levers close or open their contact as they are pulled',
    ifWrong: 'The motor does not stop as the lever is pulled, or never starts.',
    counts: ({ build: { controls } }) => controls.brakeCutoffs !== 'no',
  },
  {
    key: 'brake-strength',
    name: 'Levers brake with the motor by',
    example: '30 %',
    because: 'a hard pull loosens the axle; the amps are those of “Regeneration”',
    ifWrong: 'It throws the rider forward, or does nothing.',
    counts: ({ build: { controller } }) => controller.regenerates === 'yes',
  },
  {
    key: 'help-begins',
    name: 'Help begins after',
    example: 'a quarter turn of the cranks',
    because: 'sooner is lively, later is calm among people',
    ifWrong: 'A foot laid on the pedal moves it off.',
    counts: ({ build: { controls } }) => controls.assistSensor !== 'none',
  },
  {
    key: 'throttle-mode',
    name: 'Throttle asks for',
    example: 'current (pull)',
    because: 'current is the gentlest at walking pace, speed holds a pace uphill',
    ifWrong: 'It surges, or the first third of the lever does nothing.',
    counts: driven,
  },
  {
    key: 'throttle-levels',
    name: 'Throttle beside the levels',
    example: 'at any level, all of it',
    because: 'Law counts what the hand can do at the highest level',
    ifWrong: 'It does more by the hand alone than the class was judged by.',
    counts: driven,
  },
  {
    key: 'cruise',
    name: 'Holds its speed by itself',
    example: 'off',
    because: 'off is usual: it drives on where no hand asks for it',
    ifWrong: 'It drives on as the hand lets go.',
    counts: driven,
  },
  {
    key: 'hidden-menu',
    name: 'Speed in a hidden menu',
    example: 'closed by a code',
    because: 'whoever opens it sets another class: Law asks whether the limit can be lifted',
    ifWrong: 'It is another class as soon as somebody finds it.',
    counts: ({ build: { controller } }) => controller.limitsSpeed && controller.reached !== 'lead',
    atLaw: ({ build: { controller } }) => AT_LAW[controller.lifted],
  },
  {
    key: 'reverse',
    name: 'Backwards to',
    example: 'walking pace, 3 km/h',
    because: 'nobody sees behind a trike',
    ifWrong: 'Backwards as fast as forwards it tips over.',
    counts: ({ build: { donor } }) => donor.wheelCount > 2,
  },
];

/** How a noted setting stands: against what it is meant to be, if that is said. */
type OtherStands = 'same' | 'not-read' | 'not-taken' | 'noted' | 'empty';

/** A setting that was noted of this controller, and how it stands. */
export interface OtherRow {
  readonly key: string;
  readonly name: string;
  readonly usual: UsualSetting | undefined;
  /** What Law has of the same; undefined where it asks for nothing like it. */
  readonly atLaw: string | undefined;
  readonly told: OtherSetting;
  readonly stands: { readonly kind: OtherStands; readonly state: State };
}

/** Words that mean the same: whatever their case, their spaces and their decimal mark. */
const plain = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll(/(\d),(?=\d)/g, '$1.')
    .replaceAll(/\s+/g, '');

function standsOf({ meant, readBack }: OtherSetting): OtherRow['stands'] {
  const [wish, shows] = [plain(meant), plain(readBack)];
  // Read and never wished otherwise: it is as it came, and nothing says that it is right.
  if (wish === '') return { kind: shows === '' ? 'empty' : 'noted', state: 'unknown' };
  if (shows === '') return { kind: 'not-read', state: 'unknown' };
  return wish === shows ? { kind: 'same', state: 'fine' } : { kind: 'not-taken', state: 'look' };
}

/** The settings that were noted of this controller beside those that the plan works out. */
export const otherRows = (job: Job): readonly OtherRow[] =>
  Object.entries(job.build.settings.others).map(([key, told]): OtherRow => {
    const usual = USUAL.find((one) => one.key === key);
    return {
      key,
      name: usual?.name ?? told.name,
      usual,
      atLaw: usual?.atLaw?.(job),
      told,
      stands: standsOf(told),
    };
  });

/** Usual settings that this machine may have and nobody has noted. */
export const offeredSettings = (job: Job): readonly UsualSetting[] =>
  USUAL.filter(({ key, counts }) => counts(job) && job.build.settings.others[key] === undefined);

import type { State } from '../../check/state.ts';
import type { BuildDocument } from '../../document/document.ts';
import { LEFT_OVER_WORKS, type LeftOver, type LeftOverWork } from '../../document/harness.ts';
import { firstOf } from '../../quantity/first-of.ts';

/** How each is called. */
export const LEFT_OVER_NAMES: Readonly<Record<LeftOverWork, string>> = {
  limit: 'Speed limit',
  steps: 'Three speeds',
  cruise: 'Holds its speed',
  reverse: 'Reverse',
  'brake-high': 'Brake, by volts',
  learn: 'Learns the motor',
  lock: 'Alarm or lock',
  speed: 'Speed out',
  lamp: 'Lamp out',
  other: 'Something else',
};

/** How a left-over lead stands. */
export interface LeftOverRow {
  readonly key: string;
  readonly told: LeftOver;
  readonly name: string;
  readonly state: State;
  readonly words: string;
  readonly remedy: string;
}
type Stands = Pick<LeftOverRow, 'state' | 'words' | 'remedy'>;
const says = (state: State, words: string, remedy = ''): Stands => ({ state, words, remedy });

/** More than this on a bare contact is a supply that a spanner shorts, V. Common practice, no source. */
const SUPPLY_V = 15;

/** A lead whose end hangs free. */
function open({ covered, volts }: LeftOver): Stands {
  if (covered === 'yes') return says('fine', 'Open, each contact covered by itself.');
  const live = volts !== null && Math.abs(volts) > SUPPLY_V;
  if (live && covered === 'no')
    return says(
      'stop',
      `${Math.abs(volts).toFixed(0)} V stand on a bare contact.`,
      'Part the pack; cover each contact by itself, and tie it back.',
    );
  return covered === 'no'
    ? says('look', 'Open, and bare.', 'A cap or shrink on each contact by itself: two that touch are joined.')
    : says(
        'unknown',
        'Open: nobody has looked whether its contacts are covered.',
        'Each by itself: two that touch are joined.',
      );
}

/** The lead of a speed limit, whichever way round it acts: the class rests on it. */
function limit({ controller }: BuildDocument, told: LeftOver): Stands {
  if (told.limit === 'unknown')
    return says(
      'unknown',
      'Nobody has tried whether the limit acts as this lead is now.',
      'Wheel off the ground, fully on: the speed shows it. Then part or join it, and look again.',
    );
  if (told.limit === 'lifted')
    return controller.limitsSpeed
      ? says(
          'stop',
          'The plan counts on a speed limit, and this lead has it lifted: another class.',
          'Set it the other way round, or take the limit out of the plan and read Law again.',
        )
      : says('fine', 'The limit is lifted, and the plan counts on none.');
  if (controller.lifted === 'yes')
    return says('look', 'The limit acts; Law is told that the rider can lift it, by this lead.', 'Seal it.');
  if (told.covered === 'yes' && controller.lifted === 'no')
    return says('fine', 'The limit acts, its joint is sealed, and Law is told so.');
  return told.covered === 'yes'
    ? says(
        'unknown',
        'The limit acts and its joint is sealed; Law has not been told whether the rider can lift it.',
        'Answer “Rider can lift the limit: wire, jumper, menu” in Law.',
      )
    : says(
        controller.lifted === 'no' || told.covered === 'no' ? 'look' : 'unknown',
        controller.lifted === 'no'
          ? 'Law is told that the rider cannot lift the limit, and this lead does, unsealed.'
          : 'The limit acts, and whoever finds this lead lifts it.',
        'Shrink over the joint, out of reach; or say in Law that the rider can lift it.',
      );
}

/** What is said of a lead that something is joined to, by what it does. */
const JOINED: Readonly<
  Record<Exclude<LeftOverWork, 'limit'>, (build: BuildDocument, told: LeftOver) => Stands>
> = {
  steps: ({ controller: { profiles } }) =>
    profiles.length > 0
      ? says('fine', 'Its switch sets the speed; Law has the steps as profiles, and counts the fastest.')
      : says(
          'look',
          'The rider switches the speed with it, and the plan knows of one only.',
          'Enter its steps as profiles in Law: the fastest that can be switched to counts.',
        ),
  cruise: ({ controls: { brakeCutoffs } }) => {
    const ends =
      'each lever has to end it, and so does the throttle’s next touch: the bench asks for the levers';
    if (brakeCutoffs === 'no')
      return says(
        'stop',
        'It drives on without a hand, and no brake lever ends that.',
        'Part it, or fit levers that cut the motor off.',
      );
    return says('look', 'It drives on without a hand.', `Say so to whoever rides it; ${ends}.`);
  },
  reverse: ({ donor: { wheelCount }, settings: { others } }) => {
    if (wheelCount <= 2)
      return says('look', 'Two wheels that drive backwards throw their rider.', 'Part it, and cover it.');
    return (others['reverse']?.meant ?? '') === ''
      ? says(
          'unknown',
          'How fast it goes backwards is not written down.',
          'Set up notes “Backwards to”: walking pace.',
        )
      : says('fine', 'Backwards as Set up has it.');
  },
  'brake-high': (_, { volts }) =>
    volts === null
      ? says(
          'unknown',
          'It wants volts as the lever is pulled; nobody has metered them.',
          'Meter the lever’s lead: one that joins to ground goes into the other plug.',
        )
      : says('fine', `The lever gives ${volts.toFixed(1)} V.`),
  learn: () =>
    says(
      'look',
      'Joined, it turns the wheel by itself as it is switched on.',
      'Part it and cover it as soon as it has learnt.',
    ),
  lock: () =>
    says(
      'look',
      'An alarm that holds the wheel does so at any speed where its lead fails.',
      'Try it standing; Drive counts its standby current if it stays.',
    ),
  speed: () => says('fine', 'A display reads the motor’s speed from it.'),
  lamp: (_, { volts }) =>
    volts === null
      ? says(
          'unknown',
          'Nobody has metered what it gives.',
          'Meter it open with the lamp key pressed, then hold the lamp’s label against it.',
        )
      : says('fine', `It gives ${volts.toFixed(1)} V: the lamp’s label has to allow them.`),
  other: () =>
    says(
      'unknown',
      'What is joined there does what nobody knows.',
      'Part it, and find its pins: “Find a pin” says by which readings.',
    ),
};

function standsOf(build: BuildDocument, told: LeftOver): Stands {
  if (told.work === 'limit') return limit(build, told);
  if (told.ends === 'unknown')
    return says('unknown', 'Nobody has looked whether anything is joined to it.', 'Follow it to its end.');
  return told.ends === 'open' ? open(told) : JOINED[told.work](build, told);
}

/** Plugs and wires of the controller that the plan joins nothing to, as they were found, and how each stands. */
export const leftOverRows = (build: BuildDocument): readonly LeftOverRow[] =>
  Object.entries(build.harness.leftOver).map(([key, told]): LeftOverRow => {
    const name = LEFT_OVER_NAMES[told.work];
    return {
      key,
      told,
      name: firstOf(
        [
          [told.name.trim() === '', name],
          [told.work === 'other', told.name.trim()],
        ],
        `${name}, ${told.name.trim()}`,
      ),
      ...standsOf(build, told),
    };
  });

/** Kinds that nobody has noted yet; another one can always be noted. */
export const offeredLeftOver = ({ harness: { leftOver } }: BuildDocument): readonly LeftOverWork[] => {
  const noted = new Set(Object.values(leftOver).map(({ work }) => work));
  return LEFT_OVER_WORKS.filter((work) => work === 'other' || !noted.has(work));
};

import type { State } from '../../check/state.ts';
import type { PinWork } from '../../document/harness.ts';
import { counted } from '../../quantity/format.ts';
import { behindAdapter, leftAlone } from './adapter.ts';
import type { Cable } from './components.ts';
import { asSeen, unseenWords } from './unseen-half.ts';
import { agrees, worksOf, type WorkSpec } from './works.ts';
import type { Volts } from '../pins/spans.ts';

/** What a rule finds at a plug pair. */
export interface PlugFinding {
  readonly rule: string;
  readonly state: State;
  /** Pins that it is about, from 1; empty for the whole plug. */
  readonly pins: readonly number[];
  readonly words: string;
  readonly remedy: string;
}

/** Two pins face to face, from 1. */
interface Face {
  readonly pin: number;
  readonly a: PinWork;
  readonly b: PinWork;
}

interface Facing {
  readonly cable: Cable;
  readonly faces: readonly Face[];
  readonly works: Readonly<Record<PinWork, WorkSpec>>;
}

export interface PlugRule {
  readonly id: string;
  readonly find: (facing: Facing) => readonly PlugFinding[];
}

const stop = (rule: string, pins: readonly number[], words: string, remedy: string): PlugFinding => ({
  rule,
  state: 'stop',
  pins,
  words,
  remedy,
});

const facesOf = ({ from, to }: Cable): readonly Face[] =>
  Array.from({ length: Math.min(from.pins.length, to.pins.length) }, (_, i) => ({
    pin: i + 1,
    a: from.pins[i]?.work ?? 'unknown',
    b: to.pins[i]?.work ?? 'unknown',
  }));

const isUsed = (w: PinWork): boolean => w !== 'unknown' && w !== 'none';

const sameSex: PlugRule = {
  id: 'same-sex',
  find: ({ cable: { from, to } }) =>
    from.sex === to.sex && (from.sex === 'pins' || from.sex === 'sockets')
      ? [
          stop(
            'same-sex',
            [],
            `Both halves have ${from.sex}: they do not go together.`,
            'Change one half, or make an adapter with two halves of the other kind.',
          ),
        ]
      : [],
};

const otherFamily: PlugRule = {
  id: 'other-family',
  find: ({ cable: { from, to } }) =>
    from.plug !== '' && to.plug !== '' && from.plug.toLowerCase() !== to.plug.toLowerCase()
      ? [
          stop(
            'other-family',
            [],
            `${from.plug} and ${to.plug} do not mate.`,
            'Make an adapter, so that both old plugs stay usable.',
          ),
        ]
      : [],
};

const otherCount: PlugRule = {
  id: 'other-count',
  find: ({ cable: { from, to } }) =>
    from.pins.length === to.pins.length || !from.seen || !to.seen
      ? []
      : [
          stop(
            'other-count',
            [],
            `${counted(from.pins.length, 'pin')} against ${String(to.pins.length)}: halves of one family may still be pushed together.`,
            'Find out which pins belong together, and make an adapter.',
          ),
        ],
};

const supplyOnSignal: PlugRule = {
  id: 'supply-on-signal',
  find: ({ faces, works }) =>
    faces
      .filter(({ a, b }) => {
        const kinds = [works[a].kind, works[b].kind];
        return (kinds.includes('supply') || kinds.includes('power')) && kinds.includes('signal');
      })
      .map(({ pin, a, b }) =>
        stop(
          'supply-on-signal',
          [pin],
          `Pin ${String(pin)}: ${works[a].name} meets ${works[b].name}. A supply on a signal line kills the input.`,
          'Move the contact in one plug before anything is switched on.',
        ),
      ),
};

const twoSupplies: PlugRule = {
  id: 'two-supplies',
  find: ({ faces, works }) =>
    faces
      .filter(
        ({ a, b }) =>
          a !== b && [works[a], works[b]].every(({ kind }) => kind === 'supply' || kind === 'power'),
      )
      // The plus of a pack on its minus is told by polarity.
      .filter(({ a, b }) => !isTurned(a, b) && works[a].rest?.[1] !== works[b].rest?.[1])
      .map(({ pin, a, b }) =>
        stop(
          'two-supplies',
          [pin],
          `Pin ${String(pin)}: ${works[a].name} is joined to ${works[b].name}.`,
          'Two supplies are never joined: move the contact.',
        ),
      ),
};

const groundMissing: PlugRule = {
  id: 'ground-missing',
  find: ({ faces, works }) => {
    const signals = faces.some(({ a, b }) => works[a].kind === 'signal' && works[b].kind === 'signal');
    const grounds = faces.some(({ a, b }) => works[a].kind === 'ground' && works[b].kind === 'ground');
    return signals && !grounds
      ? [
          stop(
            'ground-missing',
            [],
            'No 0 V faces 0 V: a signal without its ground says nothing.',
            'Find the ground on both sides first.',
          ),
        ]
      : [];
  },
};

const tooManyVolts: PlugRule = {
  id: 'too-many-volts',
  find: ({ faces, works }) =>
    faces
      .filter(({ a, b }) => {
        const [x, y] = [works[a], works[b]];
        const high = Math.max(x.rest?.[1] ?? 0, y.rest?.[1] ?? 0);
        const least = Math.min(x.rest?.[1] ?? Infinity, y.rest?.[1] ?? Infinity);
        return a !== b && high > 15 && least < 15 && !isTurned(a, b) && !agrees(a, b);
      })
      .map(({ pin, a, b }) =>
        stop(
          'too-many-volts',
          [pin],
          `Pin ${String(pin)}: ${works[a].name} meets ${works[b].name}: pack volts on a line of 5 V.`,
          'Pack off, and move the contact.',
        ),
      ),
};

/** Plus on minus. */
const isTurned = (a: PinWork, b: PinWork): boolean =>
  (a === 'pack-plus' && b === 'pack-minus') ||
  (a === 'pack-minus' && b === 'pack-plus') ||
  (a === 'charge-plus' && b === 'charge-minus') ||
  (a === 'charge-minus' && b === 'charge-plus');

const turned: PlugRule = {
  id: 'polarity',
  find: ({ faces }) => {
    const pins = faces.filter(({ a, b }) => isTurned(a, b)).map(({ pin }) => pin);
    return pins.length === 0
      ? []
      : [
          stop(
            'polarity',
            pins,
            'Plus meets minus: the controller or the charger is lost at the first touch.',
            'Turn the two contacts in one half, and meter both halves before they are joined.',
          ),
        ];
  },
};

/** Rules that name what kills a part: what they name is not told again as crossed. */
const GRAVER: readonly PlugRule[] = [supplyOnSignal, twoSupplies, tooManyVolts];

const crossedPins: PlugRule = {
  id: 'crossed',
  find: (facing) => {
    const { cable, faces, works } = facing;
    const named = new Set(GRAVER.flatMap((rule) => rule.find(facing)).flatMap((f) => f.pins));
    // Whatever else does not belong together: two signals, a supply on ground, a phase on a supply.
    const left = faces.filter(
      ({ pin, a, b }) => isUsed(a) && isUsed(b) && !agrees(a, b) && !isTurned(a, b) && !named.has(pin),
    );
    if (left.length === 0) return [];
    const pins = left.map(({ pin }) => pin);
    const colours = left.some(({ pin }) => {
      const [x, y] = [cable.from.pins[pin - 1]?.colour, cable.to.pins[pin - 1]?.colour];
      return x !== '' && x === y;
    });
    return [
      stop(
        'crossed',
        pins,
        `${pins.length === 1 ? 'Pin' : 'Pins'} ${pins.join(' and ')}: ${left.map(({ a, b }) => `${works[a].name} meets ${works[b].name}`).join(', ')}.${colours ? ' Same colour, other work: the work decides.' : ''}`,
        pins.length === 2 ? 'Swap the two in one plug; nothing else.' : 'Move the contacts in one plug.',
      ),
    ];
  },
};

const bareLive: PlugRule = {
  id: 'bare-live',
  find: ({ cable: { from, to, kind } }) =>
    [from, to]
      .filter((port) => port.live && (port.sex === 'pins' || port.sex === 'bare') && kind !== 'signal')
      .map((port) => ({
        rule: 'bare-live',
        state: port.sex === 'bare' ? ('stop' as const) : ('look' as const),
        pins: [],
        words: `The side that gives the volts has ${port.sex === 'bare' ? 'bare ends' : 'pins that can be touched'}.`,
        remedy: 'The live side carries the sockets; put a cap on it until then.',
      })),
};

const antiSpark: PlugRule = {
  id: 'anti-spark',
  find: ({ cable: { from, to } }) => {
    const half = (name: string): boolean => /anti-?spark/i.test(name);
    const [live, other] = from.live ? [from, to] : [to, from];
    return half(live.plug) && !half(other.plug) && live.live
      ? [
          {
            rule: 'anti-spark',
            state: 'look',
            pins: [],
            words: 'The anti-spark half is on the live side, and the other half is a plain one.',
            remedy:
              'Both halves are of the anti-spark kind; the resistor sits in the half that is joined last.',
          },
        ]
      : [];
  },
};

const notSeen: PlugRule = {
  id: 'not-seen',
  find: ({ cable: { from, to } }) => {
    const open = [from, to].filter(
      (p) => !p.seen || p.sex === 'unknown' || p.pins.some((one) => one.work === 'unknown'),
    );
    const pins = open.flatMap((p) =>
      p.seen ? p.pins.flatMap((one, i) => (one.work === 'unknown' ? [i + 1] : [])) : [],
    );
    return open.length === 0
      ? []
      : [
          {
            rule: 'not-seen',
            state: 'unknown',
            pins,
            words: unseenWords(open, pins),
            remedy: 'Look at both halves, colour by colour; find what is not known with the meter.',
          },
        ];
  },
};

/** Every rule for two plug halves that face each other. */
export const PLUG_RULES: readonly PlugRule[] = [
  sameSex,
  otherFamily,
  otherCount,
  supplyOnSignal,
  twoSupplies,
  groundMissing,
  tooManyVolts,
  turned,
  crossedPins,
  bareLive,
  antiSpark,
  notSeen,
];

/** An adapter joins like to like: what has no like on the other side goes nowhere. */
function adapterLeaves(cable: Cable, works: Facing['works']): readonly PlugFinding[] {
  if (cable.spec.adapter !== true) return [];
  const { from, to } = leftAlone(cable);
  const told = (pins: readonly number[], half: Cable['from']): readonly string[] =>
    pins.map((pin) => `${works[half.pins[pin - 1]?.work ?? 'unknown'].name} of pin ${String(pin)}`);
  const words = [...told(from, cable.from), ...told(to, cable.to)];
  return words.length === 0
    ? []
    : [
        {
          rule: 'adapter-leaves',
          state: 'look',
          pins: from,
          words: `The adapter has no like for ${words.join(', ')}.`,
          remedy: 'Insulate what goes nowhere, by itself; make sure that the part does without it.',
        },
      ];
}

const RANK: readonly State[] = ['stop', 'look', 'unknown', 'fine'];

/**
 * What stands against a plug pair, the worst first; a rule that says the same of a pin as a graver one is left out.
 * @param works of the pins at the volts of the pack: given where many pairs of one harness are looked at
 */
export function plugFindings(met: Cable, pack: Volts, works = worksOf(pack)): readonly PlugFinding[] {
  // What is only usual is taken off first: an adapter gives the far half the near one's family, whatever its own is.
  const cable = behindAdapter({ ...met, from: asSeen(met.from), to: asSeen(met.to) });
  const facing: Facing = { cable, faces: facesOf(cable), works };
  const found = PLUG_RULES.flatMap((rule) => rule.find(facing)).concat(adapterLeaves(met, works));
  const volts = new Set(found.filter((f) => f.rule === 'too-many-volts').flatMap((f) => f.pins));
  return found
    .filter(
      (f) =>
        f.rule === 'too-many-volts' ||
        f.pins.length === 0 ||
        f.pins.some((p) => !volts.has(p)) ||
        f.rule === 'crossed' ||
        f.rule === 'polarity',
    )
    .toSorted((a, b) => RANK.indexOf(a.state) - RANK.indexOf(b.state));
}

/** How a plug pair stands. */
export const plugState = (findings: readonly PlugFinding[]): State => findings[0]?.state ?? 'fine';

import type { State } from '../check/state.ts';
import type { Known } from '../document/known-build.ts';
import { unreadOf } from '../document/worked.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import { hillBeyond, type Demand } from './demand.ts';

export type LinkId =
  | 'cells'
  | 'bms'
  | 'join'
  | 'rings'
  | 'pull-plug'
  | 'plug'
  | 'fuse'
  | 'leads'
  | 'controller'
  | 'phase-leads'
  | 'phase-plug'
  | 'tail';

/** One link of the current chain: what it carries, and what is asked of it. */
export interface Link {
  readonly id: LinkId;
  /** Which pack it is of, where there are several. */
  readonly pack: number;
  /** The cable of the harness that it is of; empty where it is any of them. */
  readonly cable: string;
  readonly name: string;
  /** Undefined where it is not known, or where there is none. */
  readonly continuousA: number | undefined;
  readonly peakA: number | undefined;
  readonly demand: Demand;
  /** The smaller of continuous limit over continuous demand and peak limit over peak demand, less one; undefined where a limit is not known, or nothing is asked. */
  readonly margin: number | undefined;
  readonly state: State;
  readonly why: Phrase;
  readonly remedy: Phrase;
  /** Where its limits come from. */
  readonly source: string;
  readonly inputs: readonly Known[];
}

/** What a link carries for long and for minutes, A. */
export interface Limits {
  readonly continuousA: number;
  readonly peakA: number;
}

interface Spec {
  readonly id: LinkId;
  readonly pack?: number;
  readonly cable?: string;
  readonly name: string;
  /** The limits if every input is as entered or as usually found. */
  readonly limits: Limits | undefined;
  readonly inputs: readonly Known[];
  /** Values that nobody has read, of which another usual one would give another answer. */
  readonly turning?: readonly Known[];
  readonly demand: Demand;
  /** What is asked of it where nothing else shares in: a pack behind a diode, the others lower, empty or off. */
  readonly alone?: Demand;
  /** What its share rests on that nobody has read. */
  readonly restsOn?: readonly Known[];
  readonly failing: string;
  /** It opens by itself before anything burns: never worse than a look. */
  readonly trips?: true;
  readonly remedy: Phrase;
  readonly source: string;
}

/** It carries what is asked even if that is the most that it could be. */
const bearsAny = ({ continuousA, peakA }: Limits, { continuousA: askedA, open }: Demand): boolean =>
  open === undefined || (peakA >= (open.mostA ?? Infinity) && continuousA >= (open.hillA ?? askedA));

/** It carries what is asked, on the hill and at the most. */
export const bears = (limits: Limits, demand: Demand): boolean =>
  bearsAny(limits, demand) && limits.continuousA >= demand.continuousA && limits.peakA >= demand.peakA;

const missingWhy = (inputs: readonly Known[]): Phrase => {
  const missing = inputs.flatMap(unreadOf).map((k) => k.label.toLowerCase());
  return [missing.length > 0 ? `Not known: ${missing.join(', ')}.` : 'Not known.'];
};

/** Of a link that bears what is asked: what nobody has read, by another usual one of which the hill would be too much for it. */
export const hillTurning = (limits: Limits, demand: Demand): readonly Known[] =>
  bears(limits, demand) && limits.continuousA < Math.max(demand.peakA, demand.open?.mostA ?? 0)
    ? hillBeyond(demand, limits.continuousA)
    : [];

/** What a share rests on that nobody has read, each named once. */
const restsOnWords = (unread: readonly Known[]): Phrase =>
  unread.length === 0
    ? []
    : [
        ` Its share rests on what nobody has read: ${[...new Set(unread.map((k) => k.label.toLowerCase()))].join(', ')}.`,
      ];

/** What is borne for each ampere asked; nothing asked is borne by anything. */
const share = (bornA: number, askedA: number): number => (askedA === 0 ? Infinity : bornA / askedA);

/** A link between controller and motor. */
export const isPhaseLink = ({ id, cable }: Pick<Link, 'id' | 'cable'>): boolean =>
  id.startsWith('phase') || cable.includes('phases');

/** It carries what is asked of it beside others, and not all alone. */
export const isShare = ({ state, margin }: Pick<Link, 'state' | 'margin'>): boolean =>
  state === 'look' && (margin ?? 0) >= 0;

/** What tells one link of a chain from the others. */
export type LinkKey = Pick<Link, 'id' | 'pack' | 'cable'>;
/** The same link, of the same pack or cable. */
export const sameLink = (a: LinkKey, b: LinkKey): boolean =>
  a.id === b.id && a.pack === b.pack && a.cable === b.cable;

/** A link whose limits are not all known. */
const unknownLink = ({ id, pack = 0, cable = '', name, inputs, demand, source }: Spec): Link => ({
  id,
  pack,
  cable,
  name,
  demand,
  inputs,
  source,
  continuousA: undefined,
  peakA: undefined,
  margin: undefined,
  state: 'unknown',
  why: missingWhy(inputs),
  remedy: ['Read it from the data sheet or measure it.'],
});

/** A link whose limits are known, but not what is asked of it. */
const unasked = (spec: Spec, { continuousA, peakA }: Limits): Link => ({
  ...unknownLink(spec),
  continuousA,
  peakA,
  why: [
    `What it is asked is not known: ${(spec.demand.open?.unknown ?? []).map((k) => k.label.toLowerCase()).join(', ')}.`,
  ],
  remedy: ['Read it from the controller’s label or its settings.'],
});

/** By what a link was held after all. */
const usual = ([only, ...more]: readonly Known[]): Phrase =>
  only === undefined || more.length > 0
    ? [' At the usual ones']
    : [' At the usual ', qty(only.value, only.unit)];

/** A link that would answer otherwise by another usual value of what nobody has read: by the usual one it says what it would. */
const turned = (spec: Spec, limits: Limits, turning: readonly Known[]): Link => ({
  ...unknownLink(spec),
  inputs: [...spec.inputs, ...turning],
  why: [
    ...missingWhy(turning),
    ...usual(turning),
    bears(limits, spec.demand)
      ? ' it carries what is asked of it.'
      : ' it does not carry what is asked of it.',
  ],
});

/** A link held against what is asked of it; one whose limits, or whose demand, are not known is unknown. */
export function link(spec: Spec): Link {
  const { id, pack = 0, cable = '', name, limits, inputs, demand, remedy, source } = spec;
  if (limits === undefined || inputs.some((k) => k.source === 'unknown')) return unknownLink(spec);
  if (spec.turning !== undefined && spec.turning.length > 0) return turned(spec, limits, spec.turning);
  if (!bearsAny(limits, demand)) return unasked(spec, limits);
  const steeper = hillTurning(limits, demand);
  if (steeper.length > 0) return turned(spec, limits, steeper);
  const { continuousA, peakA } = limits;
  const margin = Math.min(share(continuousA, demand.continuousA), share(peakA, demand.peakA)) - 1;
  const holds = continuousA >= demand.continuousA;
  const least: State = holds || spec.trips === true ? 'look' : 'stop';
  const fine = margin >= 0;
  const alone = fine && spec.alone !== undefined && !bears(limits, spec.alone) ? spec.alone : undefined;
  const { restsOn = [] } = spec;
  const rests = fine && alone === undefined ? [] : restsOn;
  const short: Phrase = holds
    ? [
        `Holds the hill’s `,
        qty(demand.continuousA, 'A'),
        ' but not the full ',
        qty(demand.peakA, 'A'),
        `: ${spec.failing}.`,
      ]
    : [
        spec.alone === undefined ? 'The hill alone takes ' : 'Its share of the hill is ',
        qty(demand.continuousA, 'A'),
        `: ${spec.failing}.`,
      ];
  const told = [...inputs, ...rests];
  const judged = { id, pack, cable, name, demand, inputs: told, source, continuousA, peakA };
  if (alone !== undefined)
    return {
      ...judged,
      margin: Number.isFinite(margin) ? margin : undefined,
      state: 'look',
      why: [
        'Carries its share while the other packs feed. Alone, with the others lower, empty or off, it is asked ',
        qty(alone.peakA, 'A'),
        `: ${spec.failing}.`,
        ...restsOnWords(rests),
      ],
      remedy: [
        'Charge all packs alike and ride with all of them, or lower the controller to what one carries.',
      ],
    };
  return {
    ...judged,
    margin: Number.isFinite(margin) ? margin : undefined,
    state: fine ? 'fine' : least,
    why: fine ? ['Carries what is asked of it.'] : [...short, ...restsOnWords(rests)],
    remedy: fine ? ['Nothing to do.'] : remedy,
  };
}

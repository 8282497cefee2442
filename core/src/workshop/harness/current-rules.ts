import type { State } from '../../check/state.ts';
import type { CurrentCable } from '../../document/current-cables.ts';
import type { BuildDocument } from '../../document/document.ts';
import type { KnownBuild } from '../../document/known-build.ts';
import type { Chain } from '../../power-chain/chain.ts';
import { DROP_FINE_PCT, DROP_LOOK_PCT } from '../../power-chain/lead-checks.ts';
import { leadLoss } from '../../power-chain/leads.ts';
import type { Link } from '../../power-chain/link.ts';
import type { CableFinding } from './cable-rules.ts';

/** What a cable of the current loses at the controller's limit, out and back. */
export interface CableDrop {
  readonly volts: number;
  /** Of the pack's nominal volts, %. */
  readonly percent: number;
  readonly watts: number;
}

interface Subject {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  readonly chain: Chain;
  readonly key: string;
  /** Whose current it carries, and what share of it; undefined for a cable beside the way of the current. */
  readonly current: Pick<CurrentCable, 'carries' | 'share'> | undefined;
  /** Cut length, mm, and conductor, mm²; undefined where nobody knows it. */
  readonly cutMm: number;
  readonly mm2: number | undefined;
}

/** Volts and watts lost in a cable between packs and controller at full throttle; undefined for any other cable, and for a conductor that nobody knows. Ohm's law. */
export function dropOf({ build, known, chain, current, cutMm, mm2 }: Subject): CableDrop | undefined {
  if (current?.carries !== 'battery' || mm2 === undefined) return undefined;
  const peakA = current.share * chain.battery.peakA;
  const { volts, watts } = leadLoss(build.cabling.conductor, cutMm, mm2, peakA);
  return { volts, watts, percent: (100 * volts) / known.packs[0].nominalV.value };
}

/** Links of the chain that this cable is: its own, and those that stand for all of its kind. */
function linksOf({ chain, current, key }: Subject): readonly Link[] {
  const own = chain.links.filter((l) => l.cable === key || l.cable.endsWith(` of ${key}`));
  const general =
    current?.carries === 'phase' ? (['phase-plug', 'phase-leads'] as const) : (['plug', 'leads'] as const);
  return [
    ...own,
    ...chain.links.filter(
      (l) => l.cable === '' && general.some((id) => id === l.id && !own.some((o) => o.id === id)),
    ),
  ];
}

const amps = (value: number | undefined): string => (value === undefined ? '?' : value.toFixed(0));

function carries(link: Link): readonly CableFinding[] {
  if (link.state === 'fine') return [];
  const rule = `carries-${link.id}`;
  if (link.state === 'unknown')
    return [
      {
        rule,
        state: 'unknown',
        ...(link.continuousA === undefined
          ? {
              words: `${link.name}: what it carries is not known, of ${amps(link.demand.continuousA)} A on the hill.`,
              remedy: 'Read it from the data sheet and type it here, or for all alike under Power.',
            }
          : {
              words: `${link.name}: what it is asked is not known.`,
              remedy: 'Power asks for the controller’s amps: read them from its label or its settings.',
            }),
      },
    ];
  return [
    {
      rule,
      state: link.state,
      words: `${link.name}: carries ${amps(link.continuousA)} A for long and ${amps(link.peakA)} A for minutes, and is asked ${amps(link.demand.continuousA)} A on the hill and ${amps(link.demand.peakA)} A at full throttle.`,
      remedy: 'Take a larger one, or lower the controller to what it carries.',
    },
  ];
}

function dropRemedy(isKnown: boolean, isAsked: boolean): string {
  if (!isKnown) return 'Power asks for the volts of the pack.';
  return isAsked
    ? 'Take a thicker lead, or bring the parts nearer together.'
    : 'Power asks for the controller’s amps.';
}

const stateOfDrop = (percent: number): State => {
  if (percent <= DROP_FINE_PCT) return 'fine';
  return percent <= DROP_LOOK_PCT ? 'look' : 'stop';
};

/** What the current asks of a cable: by the limits of the power chain, and by the volts that it loses on the way. */
export function currentFindings(s: Subject): readonly CableFinding[] {
  if (s.current === undefined) return [];
  const drop = dropOf(s);
  // A share of volts that nobody has said is no share.
  const isKnown = s.known.packs[0].nominalV.source !== 'unknown';
  const isAsked = s.chain.battery.open === undefined;
  const judged = drop === undefined ? 'fine' : stateOfDrop(drop.percent);
  const state: State = drop !== undefined && !(isKnown && isAsked) ? 'unknown' : judged;
  return [
    ...linksOf(s).flatMap(carries),
    ...(drop === undefined || state === 'fine'
      ? []
      : [
          {
            rule: 'drop',
            state,
            words: `Loses ${drop.volts.toFixed(2)} V out and back at ${amps(s.current.share * s.chain.battery.peakA)} A, ${isKnown ? `${drop.percent.toFixed(1)} % of the pack` : 'of a pack whose volts are not known'}, and ${drop.watts.toFixed(0)} W as heat.`,
            remedy: dropRemedy(isKnown, isAsked),
          },
        ]),
  ];
}

import type { BuildDocument } from '../document/document.ts';
import { withBatteryLimit } from '../document/turned-down.ts';
import type { PackDocument } from '../document/pack.ts';
import { withPack } from '../document/quantity-at.ts';
import type { Sourced } from '../document/quantity-spec.ts';
import { buyPart } from '../parts/apply-part.ts';
import { ofType } from '../parts/of-type.ts';
import type { Part } from '../parts/part.ts';
import { isPhaseLink, sameLink, type Link, type LinkKey } from '../power-chain/link.ts';
import { study, type Study } from '../verdict/study.ts';
import { compare } from './compare.ts';

/** One way out of a link that carries too little, and what it costs. */
export interface LinkRemedy {
  readonly what: string;
  readonly build: BuildDocument;
  /** Against the build as it is; undefined where the hill is not climbed before or after. */
  readonly hillKmh: number | undefined;
  readonly startPct: number;
  readonly massKg: number;
  /** To buy, in the build's currency; null where it costs nothing or nobody knows. */
  readonly price: number | null;
  /** What is left of the link's margin: fine from 0. */
  readonly margin: number | undefined;
}

const assumed = (value: number): Sourced => ({ source: 'assumed', value });

/** A way out of a link before it is held against the build as it is. */
interface Draft {
  readonly what: string;
  readonly build: BuildDocument;
  readonly price: number | null;
  /** The part of the shelf that it brings; undefined where none is bought. */
  readonly part: Part | undefined;
}

/** The controller turned down to whole amps that the link carries for good. */
function lowered(build: BuildDocument, link: Link): Draft | undefined {
  const { continuousA, peakA, demand, margin } = link;
  if (continuousA === undefined || peakA === undefined || margin === undefined) return undefined;
  const phase = isPhaseLink(link);
  const carried = Math.min(continuousA, peakA);
  const key = phase ? 'phaseCurrentA' : 'batteryCurrentA';
  const entered = build.controller[key];
  if (entered.source === 'unknown') return undefined;
  // Phase limits are entered as their direct-current equivalent: the same share of it.
  const amps = Math.floor((entered.value * carried) / demand.peakA);
  if (amps < 1 || amps >= entered.value) return undefined;
  return {
    what: `${phase ? 'Phase limit' : 'Controller'} down to ${String(amps)} A`,
    build: phase
      ? { ...build, controller: { ...build.controller, phaseCurrentA: assumed(amps) } }
      : withBatteryLimit(build, amps),
    price: null,
    part: undefined,
  };
}

export const cheapest = <P extends Part>(parts: readonly P[], currency: string): P | undefined =>
  parts
    .filter((p) => p.price !== null && p.currency === currency)
    .sort((a, b) => (a.price ?? 0) - (b.price ?? 0))[0];

const copied = (build: BuildDocument, part: Part, pack: number): Draft => ({
  what: part.name,
  build: buyPart(build, part, pack),
  price: part.price,
  part,
});

/** The cheapest part of the shelf that mends the link: a plug or lead that carries more, or a like pack. */
export function fromShelf(build: BuildDocument, link: Link, parts: readonly Part[]): Draft | undefined {
  const { currency } = build.money;
  const mends = (draft: Draft): boolean => {
    const margin = study(draft.build).chain.links.find((l) => sameLink(l, link))?.margin;
    return margin !== undefined && margin >= 0;
  };
  const take = (list: readonly Part[]): Draft | undefined => {
    const good = list.filter((p) => mends(copied(build, p, link.pack)));
    const part = cheapest(good, currency);
    return part === undefined ? undefined : copied(build, part, link.pack);
  };
  switch (link.id) {
    case 'plug':
      return take(ofType(parts, 'connector'));
    case 'leads':
      return take(ofType(parts, 'wire'));
    case 'cells':
    case 'bms': {
      const pack = build.packs[link.pack];
      if (pack === undefined) return undefined;
      const { make, cellsInSeries: cells } = pack;
      return make === 'cells'
        ? moreCells(build, pack, link)
        : take(
            ofType(parts, 'pack').filter(
              (p) => cells.source === 'unknown' || p.cellsInSeries === cells.value,
            ),
          );
    }
    case 'join':
    case 'rings':
    case 'pull-plug':
    case 'fuse':
    case 'controller':
    case 'phase-leads':
    case 'phase-plug':
    case 'tail':
      return undefined;
  }
}

/** As many more cells side by side as the link wants; a protection board is bought, not built up. */
function moreCells(build: BuildDocument, pack: PackDocument, link: Link): Draft | undefined {
  const { parallel, price, inBody } = pack.cell;
  if (link.id !== 'cells' || parallel.source === 'unknown' || link.margin === undefined) return undefined;
  const wanted = Math.ceil(parallel.value / (1 + link.margin));
  const more = wanted - parallel.value;
  if (more <= 0) return undefined;
  const series = pack.cellsInSeries.source === 'unknown' ? 0 : pack.cellsInSeries.value;
  return {
    what: `${String(wanted)} side by side`,
    build: withPack(build, link.pack, (one) => ({
      ...one,
      cell: { ...one.cell, parallel: assumed(wanted) },
    })),
    price: price === null ? null : (price * more * series) / inBody,
    part: undefined,
  };
}

function costed({ what, build, price }: Draft, now: Study, link: Link): LinkRemedy {
  const { study: s, gains } = compare(build, now);
  return {
    what,
    build,
    price,
    hillKmh: gains.hillKmh,
    startPct: gains.startPct,
    massKg: gains.massKg,
    margin: s.chain.links.find((l) => sameLink(l, link))?.margin,
  };
}

/**
 * Ways out of a link that carries too little: the controller turned down to what it carries, and the cheapest
 * part of the shelf (or more cells) that carries what is asked; each with what it costs. Empty for a sound link.
 */
export function linkRemedies(
  build: BuildDocument,
  wanted: LinkKey,
  parts: readonly Part[],
): readonly LinkRemedy[] {
  const now = study(build);
  const link = now.chain.links.find((l) => sameLink(l, wanted));
  if (link?.margin === undefined || link.margin >= 0) return [];
  return [lowered(build, link), fromShelf(build, link, parts)]
    .filter((draft) => draft !== undefined)
    .map((draft) => costed(draft, now, link));
}

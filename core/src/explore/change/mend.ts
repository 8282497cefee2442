import { LABEL_V_PER_CELL } from '../../document/per-cell.ts';
import type { BuildDocument } from '../../document/document.ts';
import { idOfPack } from '../../document/pack-names.ts';
import type { Check } from '../../check/check.ts';
import { packsAboard } from '../../machine/packs-aboard.ts';
import { buyPart } from '../../parts/apply-part.ts';
import type { Part, PartOf } from '../../parts/part.ts';
import { FUSE_HOLDS } from '../../power-chain/chain.ts';
import { endSpan } from '../../power-chain/charging.ts';
import { highestVolts } from '../../power-chain/subject.ts';
import { sameLink, type Link } from '../../power-chain/link.ts';
import { formatNumber } from '../../quantity/format.ts';
import { study, type Study } from '../../verdict/study.ts';
import { nextFuse } from '../../workshop/parts-list/helpers.ts';
import { madeForVolts, turnsMotor } from '../goes-with.ts';
import { cheapest, fromShelf } from '../link-remedies.ts';

/** A build made to go with a change, and what that took. */
export interface Mended {
  readonly build: BuildDocument;
  /** In a few words each: "charger ends at 58.8 V", "fuse 40 A". */
  readonly also: readonly string[];
  /** What is bought for it. */
  readonly parts: readonly Part[];
  /** What nothing on the shelf mends. */
  readonly left: readonly string[];
}

/** One thing that is amiss with a changed build, and its mending. */
interface Repair {
  readonly build: BuildDocument;
  readonly words: string;
  readonly part: Part | undefined;
}

const number = (value: number, digits = 0): string => formatNumber(value, digits);

const checkOf = (s: Study, id: string): Check | undefined => s.powerChecks.find((c) => c.id === id);

/** It was not so before the change. */
const newly = (now: Study, then: Study, id: string): boolean =>
  checkOf(then, id)?.state === 'stop' && checkOf(now, id)?.state !== 'stop';

/** A controller that stands the volts, of no fewer amps where there is one. */
function controllerFor(s: Study, parts: readonly Part[]): PartOf<'controller'> | undefined {
  const volts = s.known.packs[0].nominalV.value;
  const amps = s.known.controller.batteryCurrentA.value;
  const made = parts
    .filter((p) => p.type === 'controller')
    .filter((p) => madeForVolts(p, volts) && turnsMotor(p, s.build));
  const strong = made.filter((p) => p.batteryCurrentA >= amps);
  return cheapest(strong.length > 0 ? strong : made, s.build.money.currency);
}

/** Capacitors that do not stand the pack. */
function controllerVolts(now: Study, then: Study, parts: readonly Part[]): Repair | undefined {
  if (!newly(now, then, 'controller-volts')) return undefined;
  const part = controllerFor(then, parts);
  if (part === undefined) return undefined;
  return { build: buyPart(then.build, part), words: `controller ${part.name}`, part };
}

/** A pack of more or fewer cells in series is cut off at other volts: set, at the same volts a cell. */
function cutoff(now: Study, then: Study): Repair | undefined {
  const [before, after] = [now.known.packs[0].cellsInSeries, then.known.packs[0].cellsInSeries];
  const [was, is] = [before.value, after.value];
  const { lowVoltageCutoffV } = then.build.controller;
  const same = now.build.controller.lowVoltageCutoffV;
  // By cells that nobody has counted no cut-off is worked out; a pack of the same label takes the one that was set.
  const isAlike = was === is && now.known.packs[0].nominalV.source !== 'unknown';
  if (
    before.source === 'unknown' &&
    after.source !== 'unknown' &&
    !isAlike &&
    lowVoltageCutoffV.source !== 'unknown'
  )
    return {
      build: {
        ...then.build,
        controller: { ...then.build.controller, lowVoltageCutoffV: { source: 'unknown' } },
      },
      words: `cut-off set anew for ${number(is)} cells in series: how many it was set for is not known`,
      part: undefined,
    };
  if (was === is || lowVoltageCutoffV.source === 'unknown' || same.source === 'unknown') return undefined;
  if (lowVoltageCutoffV.value !== same.value) return undefined;
  const [perCellWas, perCellIs] = [
    LABEL_V_PER_CELL[now.build.packs[0].chemistry],
    LABEL_V_PER_CELL[then.build.packs[0].chemistry],
  ];
  const value = Math.round(10 * ((same.value * is * perCellIs) / (was * perCellWas))) / 10;
  if (value === same.value) return undefined;
  return {
    build: {
      ...then.build,
      controller: { ...then.build.controller, lowVoltageCutoffV: { source: 'assumed', value } },
    },
    words: `cut-off set to ${number(value, 1)} V, if the controller lets it be set`,
    part: undefined,
  };
}

/** The charger of a pack has to end where that pack is full. */
function charger(now: Study, then: Study, parts: readonly Part[]): Repair | undefined {
  const packs = packsAboard(then.build, then.known);
  for (const [i, { pack }] of packs.entries()) {
    const document = then.build.packs[i];
    const id = idOfPack('charger-volts', i);
    const isNew = i >= now.build.packs.length && document?.charger.volts.source === 'unknown';
    // One that only fills it in part is changed as well.
    const early = checkOf(then, id)?.state === 'look' && checkOf(now, id)?.state === 'fine';
    if (!newly(now, then, id) && !early && !isNew) continue;
    const [least, most] = endSpan(pack);
    const made = parts.filter((p) => p.type === 'charger').filter((p) => p.volts >= least && p.volts <= most);
    const part = cheapest(made, then.build.money.currency);
    if (part === undefined) continue;
    return {
      build: buyPart(then.build, part, i),
      words: `charger that ends at ${number(part.volts, 1)} V`,
      part,
    };
  }
  return undefined;
}

/** Links that carried what was asked of them and do not any more. */
function shortLinks(now: Study, then: Study): readonly Link[] {
  return then.chain.links.filter((link) => {
    if (link.margin === undefined || link.margin >= 0) return false;
    const before = now.chain.links.find((l) => sameLink(l, link));
    return before === undefined || before.margin === undefined || before.margin >= 0;
  });
}

/** The next size of fuse that carries what is asked. */
function fuseUp(then: Study, link: Link): Repair {
  const amps = nextFuse(Math.max(link.demand.continuousA, link.demand.peakA / FUSE_HOLDS));
  return {
    build: {
      ...then.build,
      cabling: { ...then.build.cabling, fuseA: { source: 'assumed', value: amps } },
    },
    words: `${then.build.cabling.protection === 'breaker' ? 'breaker' : 'fuse'} ${number(amps)} A`,
    part: undefined,
  };
}

function linkRepair(now: Study, then: Study, parts: readonly Part[]): Repair | undefined {
  for (const link of shortLinks(now, then)) {
    if (link.id === 'fuse') return fuseUp(then, link);
    const draft = fromShelf(then.build, link, parts);
    if (draft === undefined) continue;
    const { build, what, part } = draft;
    return {
      build,
      words:
        link.id === 'bms' || link.id === 'cells'
          ? `and the pack, ${what}: ${link.name.toLowerCase()} ${link.id === 'bms' ? 'is' : 'are'} for ${number(link.continuousA ?? 0)} A`
          : `${link.name.toLowerCase()}: ${what}`,
      part,
    };
  }
  return undefined;
}

/** A chain that was long enough and is not any more: its length is not known again until the new one is cut. */
function chainLength(now: Study, then: Study): Repair | undefined {
  const at = (s: Study): Check | undefined => s.checks.find((c) => c.id === 'chain-length');
  if (at(then)?.state !== 'stop' || at(now)?.state === 'stop') return undefined;
  return {
    build: { ...then.build, donor: { ...then.build.donor, chainLinks: { source: 'unknown' } } },
    words: 'a longer chain',
    part: undefined,
  };
}

/** Direct-current volts that fuses and breakers are sold for. From memory. */
const FUSE_VOLTS = [32, 58, 80, 125, 250];

/** A fuse that does not break the new pack's direct current. */
function fuseVolts(now: Study, then: Study): Repair | undefined {
  if (!newly(now, then, 'fuse-volts')) return undefined;
  const full = highestVolts(then.build, then.known);
  const volts = FUSE_VOLTS.find((v) => v >= full);
  if (volts === undefined) return undefined;
  const { cabling } = then.build;
  return {
    build: {
      ...then.build,
      cabling: { ...cabling, breaks: 'direct', fuseV: { source: 'assumed', value: volts } },
    },
    words: `${cabling.protection === 'breaker' ? 'breaker' : 'fuse'} for ${number(volts)} V direct current`,
    part: undefined,
  };
}

const ARMS: ReadonlySet<string> = new Set(['torque-arms', 'spread-driving', 'spread-braking']);
const MOST_ARMS = 2;

/** Arms hold an axle that the dropouts would not hold any more. */
function torqueArms(now: Study, then: Study): Repair | undefined {
  const amiss = (s: Study): readonly string[] =>
    s.checks.filter((c) => ARMS.has(c.id) && (c.state === 'stop' || c.state === 'look')).map((c) => c.id);
  const were = amiss(now);
  const { drive } = then.build;
  if (drive.torqueArms >= MOST_ARMS || !amiss(then).some((id) => !were.includes(id))) return undefined;
  const count = drive.torqueArms === 0 ? 1 : 2;
  return {
    build: { ...then.build, drive: { ...drive, torqueArms: count } },
    words: count === 1 ? 'a torque arm' : 'a second torque arm',
    part: undefined,
  };
}

/** More rounds than there are links to mend. */
const MOST_ROUNDS = 10;

/**
 * A changed build with what has to change with it: a controller that stands the volts, its cut-off, the charger, fuse, plugs, leads
 * and pack that carry the current. What was amiss before the change is left as it was.
 * @param sets whether the controller's cut-off is set to the new pack's cells
 */
export function mended(
  build: BuildDocument,
  now: Study,
  parts: readonly Part[],
  sets: 'cut-off too' | 'nothing' = 'cut-off too',
): Mended {
  const also: string[] = [];
  const bought: Part[] = [];
  let then = study(build);
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const repair =
      controllerVolts(now, then, parts) ??
      (sets === 'nothing' ? undefined : cutoff(now, then)) ??
      charger(now, then, parts) ??
      chainLength(now, then) ??
      torqueArms(now, then) ??
      fuseVolts(now, then) ??
      linkRepair(now, then, parts);
    if (repair === undefined) break;
    also.push(repair.words);
    if (repair.part !== undefined) bought.push(repair.part);
    then = study(repair.build);
  }
  return {
    build: then.build,
    also,
    parts: bought,
    left: [
      ...shortLinks(now, then).map((l) => `${l.name} too small`),
      ...['controller-volts', 'charger-volts', 'fuse-volts'].flatMap((id) =>
        newly(now, then, id) ? [checkOf(then, id)?.title ?? id] : [],
      ),
    ],
  };
}

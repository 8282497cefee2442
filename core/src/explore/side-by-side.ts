import type { State } from '../check/state.ts';
import { STAGE_IDS } from '../check/stage-ids.ts';
import type { ReadyMade } from '../document/money-plans.ts';
import { ratedTogether } from '../document/motors.ts';
import type { Unit } from '../quantity/units.ts';
import type { Verdict } from '../verdict/evaluate.ts';
import type { Figure, FigureId } from '../verdict/figure.ts';

/** Something that is compared: a build, or a ready-made bicycle by the figures of its leaflet. */
export type Contestant =
  | { readonly kind: 'build'; readonly verdict: Verdict }
  | { readonly kind: 'ready'; readonly ready: ReadyMade };

/** One figure of one contestant; undefined is not known, and never the best. */
export interface SideCell {
  readonly value: number | undefined;
  /** Far end of a band that begins with the value. */
  readonly upTo?: number | undefined;
  readonly words?: string;
  readonly state?: State;
}

/** One figure of all of them. */
export interface SideRow {
  readonly id: string;
  readonly label: string;
  /** Undefined for words. */
  readonly unit: Unit | 'money' | undefined;
  readonly digits: number;
  readonly cells: readonly SideCell[];
  /** Indices of the best; none where words are told, or nothing differs. */
  readonly best: readonly number[];
  /** How far apart they are, over what is usual between bicycles; 0 where they are level. */
  readonly spread: number;
}

interface Spec {
  readonly id: string;
  readonly label: string;
  readonly unit: Unit | 'money';
  readonly digits: number;
  /** Less is better; undefined where neither is. */
  readonly less: boolean | undefined;
  /** What bicycles of the trade differ by. Common practice, no source. */
  readonly usual: number;
  readonly of: (verdict: Verdict) => Omit<SideCell, 'words' | 'state'>;
  readonly ready: (ready: ReadyMade) => number | null;
}

const figure = ({ figures }: Verdict, id: FigureId): Figure | undefined => figures.find((f) => f.id === id);
const valued = (id: FigureId) => (v: Verdict) => ({ value: figure(v, id)?.value, upTo: figure(v, id)?.upTo });
const unsaid = (): null => null;

const SPECS: readonly Spec[] = [
  {
    id: 'price',
    label: 'Price',
    unit: 'money',
    digits: 0,
    less: true,
    usual: 3000,
    of: ({ list: { ledger } }) => ({ value: ledger.any ? ledger.total.most : undefined }),
    ready: (r) => r.price,
  },
  {
    id: 'donor',
    label: 'Of which the bicycle',
    unit: 'money',
    digits: 0,
    less: true,
    usual: 3000,
    of: ({ list: { rows } }) => ({ value: rows.find((r) => r.line?.rule === 'donor')?.price ?? undefined }),
    ready: unsaid,
  },
  {
    id: 'room',
    label: 'Room round the pack',
    unit: 'mm',
    digits: 0,
    less: false,
    usual: 100,
    of: ({ fit: { checks } }) => {
      const check = checks.find((c) => c.id === 'pack-room');
      return { value: check === undefined || check.state === 'unknown' ? undefined : check.value };
    },
    ready: unsaid,
  },
  {
    id: 'volts',
    label: 'Volts of the pack',
    unit: 'V',
    digits: 0,
    // More are neither better nor worse: it stands below what is.
    less: undefined,
    usual: 100,
    of: ({ known: { packs } }) => ({
      value: packs[0].nominalV.source === 'unknown' ? undefined : packs[0].nominalV.value,
    }),
    ready: (r) => r.packV,
  },
  {
    id: 'heat',
    label: 'Hottest on the hill',
    unit: 'C',
    digits: 0,
    less: true,
    usual: 80,
    of: valued('heat'),
    ready: unsaid,
  },
  {
    id: 'hill',
    label: 'Up the test hill',
    unit: 'km/h',
    digits: 1,
    less: false,
    usual: 15,
    of: valued('hill'),
    ready: unsaid,
  },
  {
    id: 'start',
    label: 'Starts on',
    unit: '%',
    digits: 1,
    less: false,
    usual: 20,
    of: valued('start'),
    ready: unsaid,
  },
  {
    id: 'range',
    label: 'Range',
    unit: 'km',
    digits: 0,
    less: false,
    usual: 80,
    of: valued('range'),
    ready: (r) => r.rangeKm,
  },
  {
    id: 'mass',
    label: 'Mass',
    unit: 'kg',
    digits: 1,
    less: true,
    usual: 25,
    of: ({ study }) => ({ value: study.machine.machineMassKg }),
    ready: (r) => r.massKg,
  },
  {
    id: 'top',
    label: 'Top speed',
    unit: 'km/h',
    digits: 1,
    // Faster may be another class: neither is better by itself.
    less: undefined,
    usual: 20,
    of: ({ topKmh }) => ({ value: topKmh.half }),
    ready: unsaid,
  },
  {
    id: 'energy',
    label: 'Energy of the packs',
    unit: 'Wh',
    digits: 0,
    less: false,
    usual: 800,
    of: ({ power }) => ({ value: power.energyWh }),
    ready: (r) => r.energyWh,
  },
  {
    id: 'consumption',
    label: 'Energy by distance',
    unit: 'Wh/km',
    digits: 1,
    less: true,
    usual: 12,
    of: valued('consumption'),
    ready: unsaid,
  },
  {
    id: 'rated',
    label: 'Motor, rated',
    unit: 'W',
    digits: 0,
    less: undefined,
    usual: 750,
    of: ({ known: { drive }, study: { build } }) => ({ value: ratedTogether(build, drive.ratedPowerW) }),
    ready: (r) => r.motorW,
  },
  {
    id: 'carry',
    label: 'To carry, at most',
    unit: 'kg',
    digits: 0,
    less: false,
    usual: 120,
    of: ({ known: { donor }, study: { machine } }) => ({
      value:
        donor.permittedKg.source === 'unknown' ? undefined : donor.permittedKg.value - machine.machineMassKg,
    }),
    ready: unsaid,
  },
];

/** A band is told by its near end, which may be planned on. */
function numbered(contestants: readonly Contestant[], spec: Spec): SideRow {
  const cells = contestants.map((c): SideCell =>
    c.kind === 'build' ? spec.of(c.verdict) : { value: spec.ready(c.ready) ?? undefined },
  );
  const shown = (cell: SideCell): number | undefined =>
    cell.value === undefined ? undefined : Math.round(cell.value * 10 ** spec.digits) / 10 ** spec.digits;
  const known = cells.map(shown).filter((v) => v !== undefined);
  const [least, most] = [Math.min(...known), Math.max(...known)];
  const level = known.length < 2 || least === most;
  const wanted = spec.less === true ? least : most;
  return {
    id: spec.id,
    label: spec.label,
    unit: spec.unit,
    digits: spec.digits,
    cells,
    best:
      level || spec.less === undefined ? [] : cells.flatMap((cell, i) => (shown(cell) === wanted ? [i] : [])),
    spread: level ? 0 : (most - least) / spec.usual,
  };
}

/** Words of all of them: they differ or they do not. */
function worded(id: string, label: string, cells: readonly SideCell[], weight: number): SideRow {
  const differ = new Set(cells.map((c) => c.words)).size > 1;
  return { id, label, unit: undefined, digits: 0, cells, best: [], spread: differ ? weight : 0 };
}

const said = (state: State, words: string): SideCell => ({ value: undefined, words, state });
const NOT_SAID = said('unknown', 'not on the leaflet');

function weakest({ power: { chain } }: Verdict): SideCell {
  const { weakest: link, unknown } = chain;
  if (link?.margin === undefined) return said('unknown', 'not known');
  const hand = Math.round(100 * link.margin);
  return said(
    unknown.length > 0 && link.state === 'fine' ? 'unknown' : link.state,
    `${link.name.toLowerCase()}, ${hand < 0 ? `${String(-hand)} % short` : `${String(hand)} % in hand`}`,
  );
}

/** The fork that a front motor, a wide tyre or a rough road hangs on. */
function fork(c: Contestant): SideCell {
  if (c.kind === 'ready') return NOT_SAID;
  const { forkMaterial, forkKind } = c.verdict.study.build.donor;
  const words = [forkMaterial, forkKind === 'suspension' ? 'sprung' : forkKind].filter(
    (w) => w !== 'unknown',
  );
  return words.length === 0 ? said('unknown', 'not known') : { value: undefined, words: words.join(', ') };
}

/** Whether whoever owns it can put it right. */
function mendedHere(c: Contestant): SideCell {
  if (c.kind === 'build') return said('fine', 'all parts are known');
  return c.ready.features.includes('own-repair')
    ? said('fine', 'its parts can be replaced')
    : said('look', 'maker’s pack and drive');
}

/** Several contestants figure by figure: what differs most first, then words, then what is level. */
export function sideBySide(contestants: readonly Contestant[]): readonly SideRow[] {
  const numbers = SPECS.map((spec) => numbered(contestants, spec));
  const classes = worded(
    'class',
    'Class where it is ridden',
    contestants.map((c) => {
      if (c.kind === 'ready') return c.ready.className === '' ? NOT_SAID : said('unknown', c.ready.className);
      const law = figure(c.verdict, 'class');
      return said(law?.state ?? 'unknown', law?.words ?? 'cannot tell');
    }),
    0.5,
  );
  const links = worded(
    'weakest',
    'Weakest link',
    contestants.map((c) => (c.kind === 'ready' ? NOT_SAID : weakest(c.verdict))),
    0.01,
  );
  const mended = worded('mended', 'Mended here', contestants.map(mendedHere), 0.01);
  const forks = worded('fork', 'Fork', contestants.map(fork), 0.02);
  const rows = [...numbers, classes, links, forks, mended].filter((row) =>
    row.cells.some((c) => c.value !== undefined || c.words !== undefined),
  );
  return [...rows].sort((a, b) => b.spread - a.spread);
}

/** How each stage stands in each of them, in working order; a ready-made one has none. */
export const stagesBeside = (contestants: readonly Contestant[]): readonly SideRow[] =>
  STAGE_IDS.filter((id) => id !== 'change').map((id) =>
    worded(
      `stage-${id}`,
      id,
      contestants.map((c) => {
        const stage = c.kind === 'build' ? c.verdict.stages.find((s) => s.id === id) : undefined;
        return stage === undefined ? NOT_SAID : said(stage.state, stage.words);
      }),
      1,
    ),
  );

/** Who leads: best or level in most of the figures that differ; undefined where nobody does alone. */
export function leaderOf(
  rows: readonly SideRow[],
): { readonly index: number; readonly of: number; readonly best: number } | undefined {
  const differ = rows.filter((r) => r.best.length > 0);
  const counts = new Map<number, number>();
  for (const row of differ) for (const i of row.best) counts.set(i, (counts.get(i) ?? 0) + 1);
  const [first, second] = [...counts].sort((a, b) => b[1] - a[1]);
  if (first === undefined || first[1] === second?.[1]) return undefined;
  return { index: first[0], best: first[1], of: differ.length };
}

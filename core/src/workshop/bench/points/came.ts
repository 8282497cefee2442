import type { Job } from '../../job.ts';
import { arrivalOf, isSecondHand } from '../../parts-list/arrival.ts';
import { counts, type Row } from '../../parts-list/purchase-list.ts';
import { ofIndex } from '../scene.ts';
import { holdPoint, type BenchGroup, type HoldPoint } from '../hold-point.ts';

/** A row of the list as it came, with what is looked at on it. */
interface Came {
  readonly row: Row;
  readonly rule: string;
  readonly name: string;
  readonly secondHand: boolean;
  readonly items: readonly string[];
}

/** Most characters of a name before what is looked at on it. */
const MOST_NAME = 40;
const MOST_ITEMS = 60;

/** What a line names, without its figures: "Fuse 30 A, 80 V" is a fuse of this build in any case. */
const short = (what: string): string => {
  const [first = what] = what.split(/[,:(]/);
  return first.trim().slice(0, MOST_NAME);
};

/** Everything that comes for this build and is looked at: what stays of the donor is there, and what nobody wants does not come. */
const cameOf = (rows: readonly Row[]): readonly Came[] =>
  rows.flatMap((row) => {
    if (row.line === undefined || row.line.rule === 'donor' || row.broughtBy === 'donor' || !counts(row))
      return [];
    const { rule } = row.line;
    const secondHand = isSecondHand(row, rows);
    const items = arrivalOf(rule, secondHand);
    return items.length === 0 ? [] : [{ row, rule, name: short(row.what), secondHand, items }];
  });

const HOW = {
  new: 'Before anything is fitted or joined: what is wrong goes back unused.',
  used: 'Second-hand: before it is paid for, else before anything is fitted or joined.',
} as const;

const partOf = ({ row, secondHand }: Came): string => `${row.what}${secondHand ? ', second-hand' : ''}`;

/** One thing, or several with the name of each before what is looked at. */
function point(
  group: BenchGroup,
  key: string,
  title: string,
  came: readonly Came[],
  rest: Parameters<typeof holdPoint>[5] = {},
): readonly HoldPoint[] {
  const [first] = came;
  if (first === undefined) return [];
  const alone = came.length === 1;
  const used = came.filter(({ secondHand }) => secondHand);
  return [
    holdPoint(
      group,
      key,
      title,
      used.length > 0 ? HOW.used : HOW.new,
      {
        kind: 'ticks',
        // Several of one name, such as leads, are looked at in the same way.
        items: [
          ...new Set(
            came.flatMap(({ name, items }) => items.map((item) => (alone ? item : `${name}: ${item}`))),
          ),
        ].slice(0, MOST_ITEMS),
      },
      {
        why: [
          alone
            ? `“${first.row.what.slice(0, 200)}” of the parts list`
            : `${String(came.length)} lines of the parts list`,
          ...(used.length > 0 && !alone
            ? [`; second-hand: ${used.map((u) => u.name).join(', ')}`.slice(0, 200)]
            : []),
        ],
        origin: 'common practice, no source',
        // Another thing, or a used one, is looked at again; of small ones what is new on the list is asked for as well.
        part: first.row.line?.small === true ? '' : came.map(partOf).join('; ').slice(0, 600),
        ...rest,
      },
    ),
  ];
}

const FITTED: ReadonlySet<string> = new Set(['drive', 'fitting', 'wheels']);
/** Those with a point of their own here, and those that the bench reads or works by itself later on. */
const OWN_POINT: ReadonlySet<string> = new Set([
  ...['motor', 'controller', 'pack', 'cells', 'board', 'charger'],
  ...['brake-sensors', 'throttle', 'fuse'],
]);

const small = (came: readonly Came[], fitted: boolean): readonly Came[] =>
  came.filter(({ row, rule }) => !OWN_POINT.has(rule) && FITTED.has(row.group) === fitted);

/** Of what is bolted on, looked at before the work on the donor goes on to fitting. */
export function cameToFit(_: Job, rows: readonly Row[]): readonly HoldPoint[] {
  const came = cameOf(rows);
  return [
    ...point(
      'inspection',
      'came-motor',
      'What came: the motor',
      came.filter(({ rule }) => rule === 'motor'),
      { photograph: true },
    ),
    ...point('inspection', 'came', 'What came: parts that are bolted on', small(came, true)),
  ];
}

/** Of each pack with its charger, before a meter is held to it. */
export function cameOfPacks({ build }: Job, rows: readonly Row[]): readonly HoldPoint[] {
  const came = cameOf(rows);
  return build.packs.flatMap((_, i) =>
    point(
      'pack',
      ofIndex('came', i),
      build.packs.length === 1 ? 'What came: the pack' : `What came: pack ${String(i + 1)}`,
      came.filter(
        ({ rule, row }) =>
          ['pack', 'cells', 'board', 'charger'].includes(rule) && (row.line?.pack ?? 0) === i,
      ),
      {
        guards: true,
        photograph: true,
        caution: 'Swollen, dented, wet or warm: outside, away from all that burns, and never on a charger.',
        otherwise: 'It goes back, or to where old packs are taken: it is neither opened nor tried.',
      },
    ),
  );
}

/** Of controller, controls and what is wired, before the first plug. */
export function cameToWire(_: Job, rows: readonly Row[]): readonly HoldPoint[] {
  const came = cameOf(rows);
  return [
    ...point(
      'cold',
      'came-controller',
      'What came: the controller',
      came.filter(({ rule }) => rule === 'controller'),
    ),
    ...point('cold', 'came', 'What came: controls, leads and plugs', small(came, false)),
  ];
}

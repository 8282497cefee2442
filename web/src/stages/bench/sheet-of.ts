import {
  BENCH_GROUPS,
  BENCH_GROUP_NAMES,
  careOf,
  classLabel,
  customerPage,
  formatQuantity,
  leftOverRows,
  phraseText,
  placeState,
  planStops,
  saidOf,
  type BuildDocument,
  type CustomerPage,
  type PlaceVerdict,
  type RunView,
  type SignedSheet,
  type UnitSystem,
  type Verdict,
} from '@apple-cart/core';
import { drawingOf } from '../../drawing/silhouette.tsx';
import { figureText } from '../../state/figure-text.ts';
import { STATE_WORD } from '../../ui/state-mark.tsx';
import { atWords } from './at-words.ts';
import { askedWords, foundWords } from './expected.ts';
import { STEP_WORD } from './bench-mark.tsx';

type Section = SignedSheet['sections'][number];
const cut = (text: string): string => text.slice(0, 600);

function machine(build: BuildDocument, verdict: Verdict, page: CustomerPage, system: UnitSystem): Section {
  return {
    title: 'Machine',
    note: cut(`${phraseText(page.what, system)} ${build.summary}`.trim()),
    rows: verdict.figures.map((f) => {
      const { value, unit, condition } = figureText(f, system);
      return [f.label, cut(`${value} ${unit}`.trim()), cut(condition), STATE_WORD[f.state]];
    }),
  };
}

/** Its class in a place and what decides it, by the plan or as its controller is set. */
const classRow = (name: string, place: PlaceVerdict): string[] => {
  const { what, decides } = saidOf(place);
  return [name, cut(`${what} ${decides}`), STATE_WORD[placeState(place.outcome)]];
};

function classAndDuties(verdict: Verdict, { instrument }: CustomerPage): Section {
  const { here, asSet } = verdict.law;
  const label = classLabel(verdict);
  return {
    title: `Class and duties in ${here.place.name}`,
    note: 'Planning aid, not legal advice: the police and the vehicle authority decide.',
    rows: [
      classRow('Class', here),
      ...(asSet === undefined ? [] : [classRow('As its controller is set', asSet)]),
      ['By', cut(`${instrument ?? 'no text on hand'}; read to ${String(here.place.readYear)}`), ''],
      ['Label', cut(label.lines === undefined ? label.why : label.lines.join(', ')), ''],
      ...here.duties
        .filter((d) => d.asked !== 'no')
        .map((d) => [cut(d.title), cut(d.text), d.asked === 'yes' ? 'asked' : 'may be asked']),
    ],
  };
}

/** The steps of a run group by group, as they were found. */
const steps = (view: RunView, system: UnitSystem): readonly Section[] =>
  BENCH_GROUPS.flatMap((group) => {
    const of = view.steps.filter((s) => s.point.group === group);
    if (of.length === 0) return [];
    const rows = of.map(({ number, point, state, last, repeat }) => {
      const beside = [
        last?.entry.says === 'waive' ? last.entry.words : '',
        repeat,
        last?.entry.simulated === true ? 'simulated meter' : '',
      ];
      return [
        String(number),
        point.title,
        askedWords(point.evidence, system),
        last === undefined ? '' : cut(foundWords(last.entry.against.evidence, last.entry, system)),
        STEP_WORD[state],
        cut(beside.filter((s) => s !== '').join('; ')),
        last === undefined ? '' : `${last.entry.who}, ${atWords(last.at)}`,
      ];
    });
    return [{ title: BENCH_GROUP_NAMES[group], note: '', rows }];
  });

function settings(build: BuildDocument, verdict: Verdict): Section {
  const { readWith } = build.settings;
  return {
    title: 'Settings',
    note: `as planned, as put in, as read back from the controller${readWith === '' ? '' : ` with ${readWith}`}`,
    rows: [
      ...verdict.settings.map(({ setting: { name, plan, unit, digits }, told }) => {
        const value = (v: number | null | undefined): string =>
          v === null || v === undefined ? '?' : formatQuantity(v, unit, digits);
        return [name, value(plan), value(told.entered), value(told.readBack), told.readOn];
      }),
      ...verdict.otherSettings.rows.map(({ name, told }) => [
        name === '' ? 'no name' : name,
        told.meant === '' ? '?' : told.meant,
        '',
        told.readBack === '' ? '?' : told.readBack,
        told.readOn,
      ]),
    ],
  };
}

/** The hand-over as it is signed: words and its drawing, so that nothing of it is ever worked out again. */
export function sheetOf(
  build: BuildDocument,
  verdict: Verdict,
  view: RunView,
  system: UnitSystem,
): SignedSheet {
  const page = customerPage(verdict);
  const cautions = [...page.cautions, ...view.steps.map((s) => s.point.caution)].filter((c) => c !== '');
  return {
    title: cut(`${build.name}${build.job === '' ? '' : `, job ${build.job}`}`).slice(0, 200),
    drawing: drawingOf(build, verdict),
    sections: [
      machine(build, verdict, page, system),
      {
        title: 'What the plan itself stops at',
        note: 'Known as it was signed, and not put right: told to whoever takes it over.',
        rows: planStops(verdict.findings).map((f) => [cut(f.title), cut(phraseText(f.detail, system))]),
      },
      classAndDuties(verdict, page),
      ...steps(view, system),
      {
        title: 'Left over at the controller',
        note: 'Leads that nothing of the plan is joined to, as they were found.',
        rows: leftOverRows(build).map(({ name, words, remedy, state }) => [
          cut(name),
          cut(`${words} ${remedy}`.trim()),
          STATE_WORD[state],
        ]),
      },
      { title: 'Cautions', note: '', rows: [...new Set(cautions)].map((c) => [cut(c)]) },
      {
        title: 'What it needs of whoever rides it',
        note: '',
        rows: page.asks.map((told) => [cut(phraseText(told, system))]),
      },
      {
        title: 'Care',
        note: 'Common practice, no source: the makers’ data sheets, local codes and licensed practice decide.',
        rows: careOf(build).map(({ name, how, when }) => [name, how, phraseText(when, system)]),
      },
      settings(build, verdict),
    ],
  };
}

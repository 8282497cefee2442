import {
  BENCH_GROUPS,
  BENCH_GROUP_NAMES,
  formatQuantity,
  phraseText,
  planStops,
  type BuildDocument,
  type RunView,
  type SignedSheet,
  type UnitSystem,
  type Verdict,
} from '@apple-cart/core';
import { figureText } from '../../state/figure-text.ts';
import { STATE_WORD } from '../../ui/state-mark.tsx';
import { atWords } from './at-words.ts';
import { askedWords, foundWords } from './expected.ts';
import { STEP_WORD } from './bench-mark.tsx';

/** The hand-over as it is signed: words alone, so that nothing of it is ever worked out again. */
export function sheetOf(
  build: BuildDocument,
  verdict: Verdict,
  view: RunView,
  system: UnitSystem,
): SignedSheet {
  const { law } = verdict;
  const duties = law.here.duties.filter((d) => d.asked !== 'no');
  const cut = (text: string): string => text.slice(0, 600);
  return {
    title: cut(`${build.name}${build.job === '' ? '' : `, job ${build.job}`}`).slice(0, 200),
    sections: [
      {
        title: 'Machine',
        note: build.summary,
        rows: verdict.figures.map((f) => {
          const { value, unit, condition } = figureText(f, system);
          return [f.label, cut(`${value} ${unit}`.trim()), cut(condition), STATE_WORD[f.state]];
        }),
      },
      {
        title: 'What the plan itself stops at',
        note: 'Known as it was signed, and not put right: told to whoever takes it over.',
        rows: planStops(verdict.findings).map((f) => [cut(f.title), cut(phraseText(f.detail, system))]),
      },
      {
        title: 'Class and duties',
        note: 'Planning aid, not legal advice: the rules of the place decide.',
        rows: duties.map((d) => [cut(d.title), cut(d.text), d.asked === 'yes' ? 'asked' : 'may be asked']),
      },
      ...BENCH_GROUPS.flatMap((group) => {
        const steps = view.steps.filter((s) => s.point.group === group);
        return steps.length === 0
          ? []
          : [
              {
                title: BENCH_GROUP_NAMES[group],
                note: '',
                rows: steps.map(({ number, point, state, last, repeat }) => [
                  String(number),
                  point.title,
                  askedWords(point.evidence, system),
                  last === undefined ? '' : cut(foundWords(last.entry.against.evidence, last.entry, system)),
                  STEP_WORD[state],
                  cut(
                    [
                      last?.entry.says === 'waive' ? last.entry.words : '',
                      repeat,
                      last?.entry.simulated === true ? 'simulated meter' : '',
                    ]
                      .filter((s) => s !== '')
                      .join('; '),
                  ),
                  last === undefined ? '' : `${last.entry.who}, ${atWords(last.at)}`,
                ]),
              },
            ];
      }),
      {
        title: 'Cautions',
        note: '',
        rows: [...new Set(view.steps.map((s) => s.point.caution).filter((c) => c !== ''))].map((c) => [c]),
      },
      {
        title: 'Care',
        note: 'The makers’ data sheets, local codes and licensed practice decide.',
        rows: [
          ['Spokes or mount, axle nuts, cranks', 'again after 50 km, spokes once more at 300 km'],
          ['Pack', 'charged with its own charger, under watch, between frost and heat; stored half full'],
          ['Brakes', 'before every ride; pads earlier than on a bicycle'],
        ],
      },
      {
        title: 'Settings',
        note: `as planned, as put in, as read back from the controller${build.settings.readWith === '' ? '' : ` with ${build.settings.readWith}`}`,
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
      },
    ],
  };
}

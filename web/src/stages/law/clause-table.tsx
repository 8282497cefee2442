import {
  decidingCategory,
  formatNumber,
  unitText,
  type AnswerFact,
  type Certainty,
  type ClauseVerdict,
  type NumberFact,
  type PlaceVerdict,
  type Unit,
} from '@apple-cart/core';
import { Button } from '../../ui/button.tsx';
import { Num } from '../../ui/num.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { SOURCE_WORD, SourceMark } from '../../ui/source-mark.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { CLAUSE_STATE } from './law-words.ts';

function CertaintyMark({ certainty }: { certainty: Certainty }) {
  const bars = { high: 3, medium: 2, low: 1 }[certainty];
  return (
    <span className="flex items-center gap-1.5">
      <svg viewBox="0 0 17 10" width="17" height="10" aria-hidden>
        {[0, 1, 2].map((i) => (
          <rect
            key={i}
            x={i * 6 + 0.5}
            y="0.5"
            width="4"
            height="9"
            fill={i < bars ? 'var(--ink2)' : 'none'}
            stroke="var(--ink2)"
          />
        ))}
      </svg>
      {certainty}
    </span>
  );
}

const OP = { '<': 'less than', '<=': 'at most', '>=': 'at least' } as const;
const ANSWER = { yes: 'yes', no: 'no', unknown: 'not checked' } as const;

function limitText({ clause }: ClauseVerdict): {
  readonly words: string;
  readonly value?: number;
  readonly unit?: Unit;
} {
  switch (clause.kind) {
    case 'number':
      return { words: OP[clause.op], value: clause.limit, unit: clause.unit };
    case 'one-of':
      return { words: `one of ${clause.allowed.join(', ')}` };
    case 'answer':
      return { words: clause.wanted === 'yes' ? 'required' : 'not allowed' };
  }
}

/** Clause limits are read in the instrument's own unit; the reader's unit is for the rest. */
const digitsOf = (unit: Unit): number => (unit === 'km/h' || unit === 'mph' ? 2 : 0);

function FactText({
  fact,
  value,
  unit,
}: {
  fact: NumberFact | AnswerFact | undefined;
  value: number | undefined;
  unit: Unit;
}) {
  if (fact === undefined) return <span className="text-slate">not known</span>;
  if (fact.kind === 'answer') return <>{ANSWER[fact.answer]}</>;
  return (
    <>
      <Num text={formatNumber(value ?? 0, digitsOf(unit))} places={2} unit={unitText(unit)} />
      {fact.low !== fact.high && <span className="block text-[12px] text-ink2">fast case of a band</span>}
    </>
  );
}

function ClauseRow({ verdict }: { verdict: ClauseVerdict }) {
  const { clause, state, fact, margin, value, why } = verdict;
  const limit = limitText(verdict);
  const unit = limit.unit ?? '1';
  const tint = state === 'fail' ? 'bg-stop-tint' : '';
  const source =
    fact === undefined
      ? 'unknown'
      : fact.kind === 'number'
        ? fact.source
        : fact.answer === 'unknown'
          ? 'unknown'
          : 'measured';
  const how = fact?.how;
  const remarks = [why, clause.note]
    .filter((text) => text !== undefined)
    .map((text) => text.replace(/^./, (c) => c.toUpperCase()).replace(/\.?$/, '.'))
    .join(' ');
  return (
    <tr className={`border-b border-hair align-top ${tint}`}>
      <td className="w-8 py-2 pl-1">
        <StateMark state={CLAUSE_STATE[state]} size={15} />
      </td>
      <th scope="row" className="py-1.5 pr-2 text-left font-normal">
        <b className="font-semibold">{clause.title}</b>
        <span className="block text-[12px] text-ink2">{clause.source}</span>
        {remarks !== '' && <span className="block text-[12px] text-ink2">{remarks}</span>}
      </th>
      <td className="py-1.5 pr-2 text-[13px] whitespace-nowrap text-ink2">
        {limit.words}{' '}
        {limit.value !== undefined && (
          <>
            <span className="num text-ink">{formatNumber(limit.value, limit.value % 1 === 0 ? 0 : 1)}</span>{' '}
            <span className="text-[12px] text-ink3">{unitText(unit)}</span>
          </>
        )}
      </td>
      <td
        className={`py-1.5 pr-2 text-right whitespace-nowrap ${state === 'fail' ? 'font-semibold text-stop' : ''}`}
        title={how}
      >
        <FactText fact={fact} value={value} unit={unit} />
      </td>
      <td
        className={`num py-1.5 pr-2 text-right whitespace-nowrap max-tablet:hidden ${margin !== undefined && margin < 0 ? 'text-stop' : ''}`}
      >
        {margin === undefined || unit === '1'
          ? ''
          : `${margin > 0 ? '+' : ''}${formatNumber(margin, digitsOf(unit))}`}
      </td>
      <td className="py-1.5 pr-2 text-[12px] whitespace-nowrap text-ink2 max-tablet:hidden" title={how}>
        <span className="flex items-center gap-1.5">
          <SourceMark source={source} />
          {SOURCE_WORD[source]}
        </span>
      </td>
      <td className="py-1.5 text-[12px] text-ink2 max-tablet:hidden">
        <CertaintyMark certainty={clause.certainty} />
      </td>
    </tr>
  );
}

export function Clauses({ place }: { place: PlaceVerdict }) {
  return place.tests.map((test, index) => {
    const shown = decidingCategory(test) ?? test.categories[0];
    if (shown === undefined) return null;
    return (
      <section key={test.test.id} className="pb-2">
        <PanelHead title={shown.category.name} note={index === 0 ? 'clause by clause' : test.test.question}>
          {index === 0 && (
            <Button
              kind="quiet"
              className="h-7! max-bench:h-11!"
              onClick={() => {
                window.print();
              }}
            >
              Print
            </Button>
          )}
        </PanelHead>
        <table className="w-full border-collapse text-[14px]">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
              <th className="py-1.5" />
              <th className="py-1.5 font-semibold">Clause</th>
              <th className="py-1.5 font-semibold">Limit</th>
              <th className="py-1.5 pr-2 text-right font-semibold">This build</th>
              <th className="py-1.5 pr-2 text-right font-semibold max-tablet:hidden">Margin</th>
              <th className="py-1.5 font-semibold max-tablet:hidden">Source</th>
              <th className="py-1.5 font-semibold max-tablet:hidden">Certainty</th>
            </tr>
          </thead>
          <tbody>
            {shown.clauses.map((clause) => (
              <ClauseRow key={clause.clause.id} verdict={clause} />
            ))}
          </tbody>
        </table>
        <p className="py-1.5 text-[12.5px] text-ink2">
          {test.test.question} {shown.category.instrument} ({shown.category.year}).{' '}
          {test.resulting?.category.id === shown.category.id &&
            `If it left these limits: ${test.test.otherwise.name}. ${test.test.otherwise.note}`}
        </p>
      </section>
    );
  });
}

import { useState } from 'react';
import {
  firstOf,
  formatNumber,
  tellingDigits,
  unitText,
  type AnswerFact,
  type Category,
  type Clause,
  type ClauseVerdict,
  type CurveFact,
  type NumberFact,
  type PlaceRules,
  type Unit,
} from '@apple-cart/core';
import { capital } from '../../ui/capital.ts';
import { Num } from '../../ui/num.tsx';
import { SOURCE_WORD, SourceMark } from '../../ui/source-mark.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { CertaintyMark } from './certainty-mark.tsx';
import { CorrectDialog } from './correct-dialog.tsx';
import { CLAUSE_STATE, profileWords } from './law-words.ts';

const OP = { '<': 'less than', '<=': 'at most', '>': 'more than', '>=': 'at least' } as const;
const ANSWER = { yes: 'yes', no: 'no', unknown: 'not checked' } as const;

interface Limit {
  readonly words: string;
  readonly value?: number;
  readonly unit?: Unit;
}

function limitOf({ clause, at }: ClauseVerdict): Limit {
  switch (clause.kind) {
    case 'number':
      return { words: OP[clause.op], value: clause.limit, unit: clause.unit };
    case 'one-of':
      return { words: `one of ${clause.allowed.join(', ')}` };
    case 'answer':
      return { words: clause.wanted === 'yes' ? 'required' : 'not allowed' };
    case 'curve':
      return at === undefined
        ? { words: 'a curve' }
        : { words: `at ${formatNumber(at.kmh, 1)} km/h at most`, value: Math.round(at.allowed * 100) / 100 };
    case 'open':
      return { words: 'not remembered' };
  }
}

/** Clause limits are read in the instrument's own unit; the reader's unit is for the rest. */
const digitsOf = (unit: Unit): number =>
  firstOf(
    [
      [unit === 'km/h' || unit === 'mph', 2],
      [unit === 'kg' || unit === 'lb' || unit === 'in', 1],
    ],
    0,
  );

type Fact = NumberFact | AnswerFact | CurveFact | undefined;

function FactText({
  fact,
  value,
  unit,
  digits,
  open,
}: {
  fact: Fact;
  value: number | undefined;
  unit: Unit;
  /** Enough to see on which side of the limit it lies. */
  digits: number;
  open: boolean;
}) {
  if (open) return <span className="text-ink2">to check</span>;
  if (fact === undefined) return <span className="text-slate">not known</span>;
  if (fact.kind === 'answer') return <>{ANSWER[fact.answer]}</>;
  if (fact.kind === 'curve')
    return value === undefined ? <>not in proportion</> : <Num text={formatNumber(value, 2)} places={2} />;
  return (
    <>
      <Num text={formatNumber(value ?? 0, digits)} places={2} unit={unitText(unit)} />
      {fact.low !== fact.high && <span className="block text-[12px] text-ink2">fast case of a band</span>}
    </>
  );
}

const sourceOf = (fact: Fact) => {
  if (fact === undefined) return 'unknown';
  if (fact.kind === 'number') return fact.source;
  if (fact.kind === 'curve') return 'worked';
  if (fact.rests !== undefined) return 'assumed';
  return fact.answer === 'unknown' ? 'unknown' : 'measured';
};

/** First and last year of a version, for a narrow column; the whole stands under the table. */
const years = (text: string): string =>
  [...new Set(text.match(/\d{4}/g) ?? [text])]
    .filter((_, i, all) => i === 0 || i === all.length - 1)
    .join(' to ');

const sentence = (text: string): string => capital(text).replace(/\.?$/, '.');

/** The way to correct the rule from where it is read. */
function Correct({ clause, category, place }: { clause: Clause; category: Category; place: PlaceRules }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="no-print min-h-6 text-[12px] text-slate underline max-bench:min-h-11"
        aria-label={`This has changed: ${clause.title}`}
        onClick={() => {
          setOpen(true);
        }}
      >
        This has changed
      </button>
      {open && (
        <CorrectDialog
          clause={clause}
          category={category}
          place={place}
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </>
  );
}

/** A clause: its limit, what this build has, the margin, and how sure both are. */
export function ClauseRow({
  verdict,
  category,
  place,
  heldW,
}: {
  verdict: ClauseVerdict;
  category: Category;
  place: PlaceRules;
  /** What the motor holds for thirty minutes by the heat model, W. */
  heldW: number;
}) {
  const { clause, state, fact, margin, value, why, profile } = verdict;
  const limit = limitOf(verdict);
  const unit = limit.unit ?? '1';
  const source = sourceOf(fact);
  const how = fact?.how;
  const held =
    clause.kind === 'number' && clause.fact === 'ratedPowerW'
      ? `by the heat model the motor as installed holds about ${formatNumber(heldW, 0)} W at its shaft for thirty minutes: a cross-check, not a rating`
      : undefined;
  const remarks = [
    ...[profile === '' ? undefined : `${profileWords(profile)} it is worst`, why, clause.note, held]
      .filter((text) => text !== undefined)
      .map(sentence),
  ].join(' ');
  const fewest = clause.kind === 'curve' ? 2 : digitsOf(unit);
  const digits =
    clause.kind === 'number' && value !== undefined ? tellingDigits(value, clause.limit, fewest) : fewest;
  return (
    <tr className={`border-b border-hair align-top ${state === 'fail' ? 'bg-stop-tint' : ''}`}>
      <td className="w-8 py-2 pl-1">
        <StateMark state={CLAUSE_STATE[state]} size={15} />
      </td>
      <th scope="row" className="py-1.5 pr-2 text-left font-normal">
        <b className="font-semibold">{clause.title}</b>
        <span className="block text-[12px] text-ink2">
          {clause.source} ({years(clause.year ?? category.year)})
        </span>
        {remarks !== '' && <span className="block text-[12px] text-ink2">{remarks}</span>}
        {clause.corrected !== undefined && (
          <span className="block text-[12px] font-semibold text-slate" data-testid="corrected">
            Corrected here on {clause.corrected.on}
            {clause.corrected.note === '' ? '' : `: ${clause.corrected.note}`}.
          </span>
        )}
        <Correct clause={clause} category={category} place={place} />
      </th>
      <td className="py-1.5 pr-2 text-[13px] text-ink2">
        {limit.words}{' '}
        {limit.value !== undefined && (
          <span className="whitespace-nowrap">
            <span className="num text-ink">
              {formatNumber(
                limit.value,
                firstOf(
                  [
                    [limit.value % 1 === 0, 0],
                    [limit.value < 3, 2],
                  ],
                  1,
                ),
              )}
            </span>{' '}
            <span className="text-[12px] text-ink3">{unitText(unit)}</span>
          </span>
        )}
      </td>
      <td
        className={`py-1.5 pr-2 text-right ${state === 'fail' ? 'font-semibold text-stop' : ''}`}
        title={how}
      >
        <FactText fact={fact} value={value} unit={unit} digits={digits} open={clause.kind === 'open'} />
      </td>
      <td
        className={`num py-1.5 pr-2 text-right whitespace-nowrap max-tablet:hidden ${margin !== undefined && margin < 0 ? 'text-stop' : ''}`}
      >
        {margin === undefined || (unit === '1' && clause.kind !== 'curve')
          ? ''
          : `${margin > 0 ? '+' : ''}${formatNumber(margin, digits)}`}
      </td>
      <td className="py-1.5 pr-2 text-[12px] whitespace-nowrap text-ink2 max-tablet:hidden" title={how}>
        {clause.kind !== 'open' && (
          <span className="flex items-center gap-1.5">
            <SourceMark source={source} />
            {SOURCE_WORD[source]}
          </span>
        )}
      </td>
      <td className="py-1.5 text-[12px] text-ink2 max-tablet:hidden">
        <CertaintyMark certainty={clause.certainty} />
      </td>
    </tr>
  );
}

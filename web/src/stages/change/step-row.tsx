import {
  currencySign,
  formatNumber,
  gainPerMoney,
  gainsAt,
  moneyText,
  phraseText,
  type Aim,
  type StepGain,
  type TrialRecord,
} from '@apple-cart/core';
import { useSettings } from '../../state/settings-store.ts';
import { useChange, useQuantity } from '../../state/use-quantity.ts';
import { StateMark } from '../../ui/state-mark.tsx';
import { PER_MONEY, isAmiss } from './aims.ts';

/** A change as it is read: nothing is a middle dot, worse has its own colour and its sign. */
function Gained({
  value,
  unit,
  digits,
  less = false,
}: {
  value: number | undefined;
  unit: 'km/h' | 'km' | 'C' | 'kg';
  digits: number;
  /** Less is better. */
  less?: boolean;
}) {
  const change = useChange();
  if (value === undefined) return <span title="no such number before or after">none</span>;
  const text = change(value, unit, digits)?.text;
  if (text === undefined) return <span aria-label="no change">·</span>;
  const worse = less ? value > 0 : value < 0;
  return <span className={worse ? 'text-stop' : ''}>{text}</span>;
}

/** Both ends of the range; one mark where neither moves. */
function RangeGained({ low, high }: { low: number | undefined; high: number | undefined }) {
  const change = useChange();
  const still = (km: number | undefined): boolean => km !== undefined && change(km, 'km', 0) === undefined;
  if (low === undefined || (still(low) && still(high))) return <Gained value={low} unit="km" digits={0} />;
  return (
    <>
      <Gained value={low} unit="km" digits={0} />, <Gained value={high} unit="km" digits={0} />
    </>
  );
}

/** What a step gains for its money, as a bar between two end ticks; one that is free ends in an arrow. */
function Worth({ value, most, text }: { value: number | undefined; most: number; text: string }) {
  const [width, height] = [76, 12];
  const free = value === Infinity;
  const length = value === undefined ? 0 : width * Math.min(1, free ? 1 : value / Math.max(most, 1e-9));
  return (
    <span className="block leading-tight">
      <span className="block text-[12.5px]">{text}</span>
      <svg
        viewBox={`-1 0 ${String(width + 9)} ${String(height)}`}
        width={width + 10}
        height={height}
        aria-hidden
      >
        <path d={`M0 6H${String(width)}M0 2v8M${String(width)} 2v8`} stroke="var(--rule)" fill="none" />
        {Array.from({ length: Math.floor(length / 4) }, (_, i) => (
          <path key={i} d={`M${String(4 * i + 1)} 2v8`} stroke="var(--ink)" strokeWidth="2.4" />
        ))}
        {free && <path d={`M${String(width)} 1l7 5l-7 5z`} fill="var(--ink)" />}
      </svg>
    </span>
  );
}

const perMoney = (step: StepGain, aim: Aim): string => {
  const value = gainPerMoney(step, aim);
  if (value === undefined) return gainsAt(step, aim) ? 'not known' : 'none';
  if (value === Infinity) return 'free';
  const digits = PER_MONEY * value < 10 ? 2 : 0;
  return `${step.allIn.noIdea.length > 0 ? 'at most ' : ''}${(PER_MONEY * value).toFixed(digits)}`;
};

/** In one word or two what becomes of the class. */
function ClassCell({ step, was }: { step: StepGain; was: string }) {
  if (step.classRisk === 'stays')
    return (
      <span className="flex items-start gap-1.5">
        <StateMark state={step.is.classState} size={14} /> stays
      </span>
    );
  return (
    <span className="flex items-start gap-1.5">
      <StateMark state={step.is.classState} size={14} />
      {step.classRisk === 'worse' && step.is.className !== was ? `leaves ${was}` : step.is.className}
    </span>
  );
}

/** Beneath a step: what must change with it, what nothing mends, what stands newly in the way. */
function Under({ step, rejected }: { step: StepGain; rejected: TrialRecord | undefined }) {
  const system = useSettings((state) => state.units);
  const { against, note, also, left, newStops, opens, hours, difficulty } = step;
  const work =
    hours === 0
      ? 'no work'
      : `${String(hours)} h, ${difficulty === 'middle' ? 'middling' : difficulty} difficulty`;
  return (
    <span className="block text-[12.5px] leading-snug text-ink2">
      {[note, ...also].filter((t) => t !== '').join('; ')}
      {note !== '' || also.length > 0 ? '; ' : ''}
      {work}
      {[...left, ...newStops].length > 0 && (
        <span className="block text-stop">In the way: {[...left, ...newStops].join(', ')}</span>
      )}
      {against.length > 0 && (
        <span className="flex items-start gap-1.5">
          <StateMark state="unknown" size={13} /> Yours is not known: the gain is over{' '}
          {phraseText(against, system)}, by a default
        </span>
      )}
      {opens.length > 0 && <span className="block">Then to be found out: {opens.join('; ')}</span>}
      {step.is.weakestMargin !== undefined && step.is.weakestMargin < 0.05 && (
        <span className="block">
          Weakest afterwards: {step.is.weakest.toLowerCase()},{' '}
          {step.is.weakestMargin < 0
            ? `${String(Math.round(-100 * step.is.weakestMargin))} % short`
            : `${String(Math.round(100 * step.is.weakestMargin))} % in hand`}
        </span>
      )}
      {rejected !== undefined && (
        <span className="block font-semibold">
          {rejected.says === 'rejected' ? 'Rejected' : 'Taken back'} {rejected.on}: {rejected.reason}
        </span>
      )}
    </span>
  );
}

/** Columns that a narrow page has no room for: there they stand beneath the step. */
export const WIDE_ONLY = 'max-bench:hidden print:table-cell';

/** What is told of a step in numbers besides its cost. */
const GAINS = ['hill', 'top', 'range', 'heat'] as const;

/** Their columns and that of the cost, in the reader's units. */
export function useStepColumns(currency: string) {
  const unit = useQuantity();
  const km = unit(1, 'km').unit;
  const kmh = unit(1, 'km/h').unit;
  const looks = {
    hill: { name: 'Hill', unit: kmh },
    top: { name: 'Top', unit: kmh },
    range: { name: 'Range', unit: km, under: `${km}, low, high` },
    heat: { name: 'Heat', unit: unit(1, 'C').unit },
  } as const;
  return {
    gains: GAINS.map((of) => ({ of, under: looks[of].unit, ...looks[of] })),
    cost: { name: 'Cost', unit: currencySign(currency), under: currencySign(currency) },
  };
}

/** What a step gains, by one column. */
function StepGained({ of, gains }: { of: (typeof GAINS)[number]; gains: StepGain['gains'] }) {
  switch (of) {
    case 'hill':
    case 'top':
      return <Gained value={gains[of]} unit="km/h" digits={1} />;
    case 'range':
      return <RangeGained low={gains.rangeLow} high={gains.rangeHigh} />;
    case 'heat':
      return <Gained value={gains.cool === undefined ? undefined : -gains.cool} unit="C" digits={0} less />;
  }
}

/** What a step comes to, or several together, in the columns of the table. */
export function StepSums({
  of: { gains, allIn },
  currency,
}: {
  of: Pick<StepGain, 'gains' | 'allIn'>;
  currency: string;
}) {
  const columns = useStepColumns(currency);
  const sums = [
    ...columns.gains.map((c) => ({ ...c, sum: <StepGained of={c.of} gains={gains} /> })),
    {
      ...columns.cost,
      sum: `${formatNumber(allIn.cost, 0)}${allIn.noIdea.length > 0 ? ' at least' : ''}`,
    },
  ];
  return (
    <dl className="flex flex-wrap gap-x-4 gap-y-1 max-tablet:gap-x-3">
      {sums.map(({ name, unit, sum }) => (
        <div key={name} className="text-right">
          <dt className="text-[12px] leading-tight text-ink2">
            {name}, {unit}
          </dt>
          <dd className="num text-[14px] font-semibold">{sum}</dd>
        </div>
      ))}
    </dl>
  );
}

/** One step: what it gains by itself, and what it costs all in. */
export function StepRow({
  step,
  aim,
  most,
  was,
  currency,
  budgetLeft,
  ticked,
  onTick,
  rejected,
}: {
  step: StepGain;
  aim: Aim;
  most: number;
  was: string;
  currency: string;
  budgetLeft: number | undefined;
  ticked: boolean;
  onTick: (on: boolean) => void;
  rejected: TrialRecord | undefined;
}) {
  const { gains, allIn } = step;
  const what = phraseText(
    step.what,
    useSettings((state) => state.units),
  );
  const over = budgetLeft !== undefined && allIn.cost > budgetLeft;
  const pale = isAmiss(step) && !ticked ? 'text-ink2' : '';
  return (
    <tr
      data-step={step.id}
      className={`border-b border-hair align-top [&>td]:py-1.5 [&>td]:pr-2 ${ticked ? 'bg-field' : ''} ${pale}`}
    >
      <td className="w-8 pl-1">
        <label className="flex size-6 items-center max-bench:size-11">
          <input
            type="checkbox"
            className="size-[18px] scroll-mb-44 accent-ink max-bench:size-6"
            aria-label={what}
            checked={ticked}
            onChange={(event) => {
              onTick(event.target.checked);
            }}
          />
        </label>
      </td>
      <th scope="row" className="py-1.5 pr-2 text-left font-normal">
        <b className="font-semibold">{what}</b>
        <Under step={step} rejected={rejected} />
        <div className="flex flex-wrap items-end gap-x-5 gap-y-1.5 pt-1.5 text-[13px] bench:hidden print:hidden">
          <StepSums of={step} currency={currency} />
          <div>
            <span className="block text-[12px] leading-tight text-ink2">
              for {moneyText(PER_MONEY, currency)}
            </span>
            <Worth value={gainPerMoney(step, aim)} most={most} text={perMoney(step, aim)} />
          </div>
          <ClassCell step={step} was={was} />
          {over && (
            <span className="flex items-center gap-1">
              <StateMark state="look" size={13} labelled={false} /> over the budget
            </span>
          )}
        </div>
      </th>
      {GAINS.map((of) => (
        <td key={of} className={`num text-right whitespace-nowrap ${WIDE_ONLY}`}>
          <StepGained of={of} gains={gains} />
        </td>
      ))}
      <td className={`num text-right whitespace-nowrap ${WIDE_ONLY}`}>
        <span className="flex items-center justify-end gap-1">
          {over && <StateMark state="look" size={13} />} {formatNumber(allIn.cost, 0)}
        </span>
        {allIn.noIdea.length > 0 && (
          <span className="block font-text text-[12px] text-ink2" title={allIn.noIdea.join('; ')}>
            {allIn.noIdea.length} unpriced
          </span>
        )}
      </td>
      <td className={WIDE_ONLY}>
        <Worth value={gainPerMoney(step, aim)} most={most} text={perMoney(step, aim)} />
      </td>
      <td className={`text-[13px] ${WIDE_ONLY}`}>
        <ClassCell step={step} was={was} />
      </td>
    </tr>
  );
}

import { firstOf, type LearntValue, type RideKind, type State } from '@apple-cart/core';
import { useQuantity } from '../../state/use-quantity.ts';
import { SourceMark } from '../../ui/source-mark.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { RideMark } from './ride-marks.tsx';
import type { Learning } from './use-learn.ts';

/** Before and after on one scale: pale and dark bars, a tick in the middle of each. */
function Spans({ value }: { value: LearntValue }) {
  const { before, beforeSd, after, sd } = value;
  const [W, H] = [112, 22];
  const low = Math.min(before - 2 * beforeSd, after - 2 * sd);
  const high = Math.max(before + 2 * beforeSd, after + 2 * sd);
  const x = (v: number): number => 3 + ((v - low) / Math.max(1e-12, high - low)) * (W - 6);
  const bar = (middle: number, error: number, y: number, fill: string, stroke: string) => (
    <>
      <rect
        x={x(middle - 2 * error)}
        y={y}
        width={Math.max(1.5, x(middle + 2 * error) - x(middle - 2 * error))}
        height="8"
        fill={fill}
        stroke={stroke}
      />
      <path
        d={`M${String(x(middle))} ${String(y - 1)}v10`}
        stroke={fill === 'var(--ink)' ? 'var(--sheet)' : 'var(--ink)'}
        strokeWidth="1.4"
      />
    </>
  );
  return (
    <svg viewBox={`0 0 ${String(W)} ${String(H)}`} width={W} height={H} aria-hidden>
      {bar(before, beforeSd, 1, 'var(--press)', 'var(--rule)')}
      {bar(after, sd, 12, 'var(--ink)', 'var(--ink)')}
    </svg>
  );
}

function apart({ notApart }: LearntValue): { readonly state: State; readonly words: string } {
  if (notApart === undefined) return { state: 'fine', words: 'nothing else' };
  const { from, share } = notApart;
  return firstOf<{ readonly state: State; readonly words: string }>(
    [
      [share < 0.7, { state: 'look', words: `${from}, by half` }],
      [share < 0.9, { state: 'look', words: `${from}, mostly` }],
    ],
    { state: 'unknown', words: `${from}: hardly apart` },
  );
}

const Kinds = ({ kinds }: { kinds: readonly RideKind[] }) => (
  <span className="flex gap-1">
    {kinds.map((kind) => (
      <RideMark key={kind} kind={kind} size={16} labelled />
    ))}
  </span>
);

/** Take or leave: neither is pressed before somebody has said so. */
function TakeOrLeave({ value, learning }: { value: LearntValue; learning: Learning }) {
  if (value.verdict !== 'learnt')
    return (
      <span className="text-[12.5px] text-ink2">
        {value.verdict === 'same' ? 'inside its span: it stays' : 'hardly learnt'}
      </span>
    );
  const now = learning.taken.get(value.path);
  return (
    <span role="group" aria-label={value.name} className="inline-flex border border-rule">
      {(
        [
          [true, 'Take'],
          [false, 'Leave'],
        ] as const
      ).map(([wanted, word]) => (
        <button
          key={word}
          type="button"
          aria-pressed={now === wanted}
          className={`min-h-[30px] px-3 text-[13.5px] max-bench:min-h-11 ${wanted ? 'aria-pressed:bg-fine' : 'aria-pressed:bg-ink'} aria-pressed:font-bold aria-pressed:text-on-ink`}
          onClick={() => {
            learning.take(value.path, now === wanted ? undefined : wanted);
          }}
        >
          {word}
        </button>
      ))}
    </span>
  );
}

const digitsOf = (value: number): number =>
  firstOf(
    [
      [Math.abs(value) >= 100, 0],
      [Math.abs(value) >= 10, 1],
      [Math.abs(value) >= 0.1, 2],
    ],
    4,
  );

export function Row({ value, learning }: { value: LearntValue; learning: Learning }) {
  const shown = useQuantity();
  const { known, before, after, sd } = value;
  const text = (v: number) => shown(v, known.unit, digitsOf(v)).text;
  const { unit } = shown(after, known.unit, 2);
  const { state, words } = apart(value);
  return (
    <tr className="border-b border-hair align-top" data-learnt={value.path}>
      <th scope="row" className="py-1.5 pr-2 text-left text-[14px] font-semibold">
        {value.name} <span className="text-[12px] font-normal text-ink3">{unit}</span>
        <span className="flex items-center gap-1.5 text-[12px] font-normal text-ink2">
          <SourceMark source={known.source} /> {known.source === 'worked' ? 'worked out' : known.source}
        </span>
      </th>
      <td className="num py-1.5 text-right text-ink2">{text(before)}</td>
      <td className="num py-1.5 pl-3 text-right whitespace-nowrap">
        <b className="font-semibold">{text(after)}</b>{' '}
        <span className="text-[12.5px] text-ink2">±{shown(sd, known.unit, digitsOf(after)).text}</span>
      </td>
      <td className="py-2 pl-3 max-tablet:hidden">
        <Spans value={value} />
      </td>
      <td className="py-1.5 pl-3 text-[12.5px] max-tablet:hidden">
        <Kinds kinds={value.toldBy} />
        <span className="flex items-center gap-1">
          <StateMark state={state} size={13} /> {words}
        </span>
      </td>
      <td className="py-1.5 pl-2 text-right">
        <TakeOrLeave value={value} learning={learning} />
      </td>
    </tr>
  );
}

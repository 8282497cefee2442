import { Link } from 'react-router';
import type { RideTold } from '@apple-cart/core';
import { useSettings } from '../../state/settings-store.ts';
import { StateMark } from '../../ui/state-mark.tsx';
import { FIGURE_LOOKS, figureText, offWords, saysWords } from './ride-words.ts';
import { SpanBar } from './span-bar.tsx';

/** Each figure that was read, beside what the plan said. */
export function BesideTable({ told }: { told: RideTold }) {
  const system = useSettings((state) => state.units);
  if (told.figures.length === 0) return null;
  return (
    <table className="w-full border-collapse text-[14px] max-tablet:text-[13px]" data-testid="beside">
      <caption className="head pt-3 pb-1 text-left text-[15px] font-semibold">
        Measured beside predicted
      </caption>
      <thead>
        <tr className="border-b-[1.5px] border-ink text-[12.5px]">
          <th scope="col" className="sr-only">
            Figure
          </th>
          <th scope="col" className="px-2 max-tablet:px-1 text-right font-semibold">
            Measured
          </th>
          <th scope="col" className="px-2 max-tablet:px-1 text-right font-semibold">
            Plan
          </th>
          <th scope="col" className="px-2 max-tablet:px-1 text-right font-semibold">
            Off by
          </th>
          <th scope="col" className="px-2 max-tablet:px-1 text-left font-semibold max-tablet:hidden">
            Likely span of the plan
          </th>
          <th scope="col" className="px-2 max-tablet:px-1 text-left font-semibold">
            It says
          </th>
        </tr>
      </thead>
      <tbody>
        {told.figures.map((figure) => {
          const { id, measured, plan } = figure;
          const [m, p] = [figureText(id, measured, system), figureText(id, plan, system)];
          const { state, words } = saysWords(figure, told);
          return (
            <tr key={id} className="border-b border-hair" data-beside={id}>
              <th scope="row" className="py-1 text-left font-semibold">
                {FIGURE_LOOKS[id].name}
              </th>
              <td className="num px-2 max-tablet:px-1 text-right">{m.text}</td>
              <td className="num px-2 max-tablet:px-1 text-right whitespace-nowrap text-ink2">
                {p.text} <span className="font-text text-[12px] text-ink3 max-tablet:hidden">{p.unit}</span>
              </td>
              <td className="num px-2 max-tablet:px-1 text-right whitespace-nowrap">
                {offWords(figure, system)}
              </td>
              <td className="px-2 max-tablet:px-1 max-tablet:hidden">
                <SpanBar figure={figure} />
              </td>
              <td className="px-2 max-tablet:px-1 py-1">
                <span className="flex items-center gap-1.5 leading-tight max-tablet:text-[12.5px]">
                  <StateMark state={state} size={14} /> {words}
                </span>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** What the difference comes from most likely, and what could be done about it. */
export function PointsTo({ told }: { told: RideTold }) {
  if (told.causes.length === 0) return null;
  return (
    <p className="pt-2 text-[13.5px] leading-snug text-ink2">
      The span comes most from {told.causes.map((c) => c.toLowerCase()).join(', ')}: there a difference is
      looked for first.{' '}
      <Link to="?view=learn" replace className="text-slate underline">
        What the rides teach of it
      </Link>
    </p>
  );
}

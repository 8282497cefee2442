import {
  STAGE_IDS,
  convert,
  formatNumber,
  phraseText,
  shownUnit,
  stageOfFigure,
  unitText,
  usualDigits,
  type Figure,
  type WorkingRow,
} from '@apple-cart/core';
import { Link } from 'react-router';
import { SCREENS } from '../screens/registry.ts';
import { useSettings } from '../state/settings-store.ts';
import { Dialog } from '../ui/dialog.tsx';
import { SOURCE_WORD, SourceMark } from '../ui/source-mark.tsx';
import { STATE_WORD, StateMark } from '../ui/state-mark.tsx';
import { figureText } from '../state/figure-text.ts';

function Value({ row }: { row: WorkingRow }) {
  const system = useSettings((state) => state.units);
  if (typeof row.value === 'string')
    return (
      <td colSpan={2} className="py-1 pl-2 text-right">
        {row.value}
      </td>
    );
  const unit = shownUnit(row.unit, system);
  const value = convert(row.value, row.unit, unit);
  return (
    <>
      <td className="num py-1 pl-2 text-right whitespace-nowrap">
        {formatNumber(value, usualDigits(value, unit))}
      </td>
      <td className="py-1 pl-1 text-[12.5px] whitespace-nowrap text-ink3">{unitText(unit)}</td>
    </>
  );
}

function Rows({ title, rows }: { title: string; rows: readonly WorkingRow[] }) {
  if (rows.length === 0) return null;
  return (
    <table className="mb-4 w-full border-collapse text-[13.5px]">
      <caption className="head border-b-[1.5px] border-ink pb-1 text-left text-[14px]">{title}</caption>
      <tbody>
        {rows.map((row, i) => (
          <tr key={`${row.symbol} ${row.label} ${String(i)}`} className="border-b border-hair align-top">
            <th
              scope="row"
              className="num w-[68px] py-1 text-left text-[12.5px] font-normal whitespace-nowrap text-ink2"
            >
              {row.symbol}
            </th>
            <td className="py-1 pr-2">
              {row.label}
              {row.origin !== '' && <span className="block text-[12px] text-ink2">{row.origin}</span>}
            </td>
            <Value row={row} />
            <td className="w-24 py-1 pl-3 text-[12px] text-ink2">
              <span className="flex items-center gap-1.5 whitespace-nowrap">
                <SourceMark source={row.source} />
                {SOURCE_WORD[row.source]}
              </span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const List = ({ title, lines }: { title: string; lines: readonly string[] }) =>
  lines.length === 0 ? null : (
    <section className="mb-4">
      <h3 className="head border-b-[1.5px] border-ink pb-1 text-[14px]">{title}</h3>
      {lines.map((line) => (
        <p key={line} className="border-b border-hair py-1 text-[13.5px]">
          {line}
        </p>
      ))}
    </section>
  );

/** How a figure was worked out: formula, what was put in and from where, the steps, the sources. */
export function WorkingPanel({ figure, onClose }: { figure: Figure | undefined; onClose: () => void }) {
  const system = useSettings((state) => state.units);
  if (figure === undefined) return null;
  const { value, unit } = figureText(figure, system);
  const stage = stageOfFigure(figure.id);
  return (
    <Dialog
      open
      onClose={onClose}
      place="side"
      title={`Working: ${figure.label.toLowerCase()}`}
      description="Every number behind the figure."
    >
      <p className="mb-1 flex items-baseline gap-2">
        <b className="figure-number text-[44px] leading-none">{value}</b>
        <span className="text-[20px] text-ink3">{unit}</span>
      </p>
      <p className="mb-4 flex items-center gap-1.5 text-ink2">
        <StateMark state={figure.state} labelled={false} />
        {STATE_WORD[figure.state]}, {phraseText(figure.condition, system)}
      </p>
      <p className="mb-4">
        <Link
          to={`../${stage}`}
          relative="path"
          onClick={onClose}
          className="inline-flex min-h-6 items-center text-slate underline max-bench:min-h-11"
        >
          Change it on stage {STAGE_IDS.indexOf(stage) + 1}, {SCREENS[stage].name}
        </Link>
      </p>
      <h3 className="head border-b-[1.5px] border-ink pb-1 text-[14px]">Formula</h3>
      <div className="num mb-4 bg-field px-3 py-2 text-[13px] leading-relaxed">
        {figure.working.formulas.map((line) => (
          <p key={line}>{line}</p>
        ))}
      </div>
      <Rows title="Put in" rows={figure.working.inputs} />
      <Rows title="Worked out" rows={figure.working.steps} />
      <List title="Sources" lines={figure.working.sources} />
      <List title="Left out" lines={figure.working.leftOut} />
    </Dialog>
  );
}

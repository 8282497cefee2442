import { formatNumber, gaugeTable, hasBoard, likesFull } from '@apple-cart/core';
import { CHOICE_ROW } from '../../fields/choice-field.tsx';
import { FieldGroup, WorkedRow } from '../../fields/field-group.tsx';
import { Caution } from '../../ui/caution.tsx';
import { Num } from '../../ui/num.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { GaugeSeen } from './gauge-seen.tsx';
import type { SettingsSheet } from './use-settings-sheet.ts';

const told = (known: { source: string; value: number }): string =>
  known.source === 'unknown' ? '?' : known.value.toFixed(1);

/** The chain of cut-offs, from full to what the board allows; and what the gauge is set for. */
export function CutoffsInputs({ sheet }: { sheet: SettingsSheet }) {
  const { known, power } = sheet.verdict;
  const { gaugeCells } = sheet.document.settings;
  const low = known.controller.lowVoltageCutoffV;
  const board = known.packs[0].boardCutoffV;
  const counted = known.packs[0].cellsInSeries.source !== 'unknown';
  const boarded = hasBoard(sheet.document.packs[0]);
  const both = low.source !== 'unknown' && board.source !== 'unknown';
  return (
    <>
      <FieldGroup title="Cut-offs" note="the first pack">
        <WorkedRow label="Full" unit="V">
          <Num text={counted ? power.fullV.toFixed(1) : '?'} places={1} />
        </WorkedRow>
        <WorkedRow label="Motor holds back from" unit="V">
          <Num
            text={
              low.source === 'unknown' || known.controller.lowVoltageFoldV.source === 'unknown'
                ? '?'
                : (low.value + known.controller.lowVoltageFoldV.value).toFixed(1)
            }
            places={1}
          />
        </WorkedRow>
        <WorkedRow label="Motor ends" unit="V">
          <Num text={told(low)} places={1} />
        </WorkedRow>
        {boarded ? (
          <>
            <WorkedRow label="Board opens" unit="V">
              <Num text={told(board)} places={1} />
            </WorkedRow>
            <WorkedRow label="Left for the lights" unit="V" sum>
              <Num text={both ? (low.value - board.value).toFixed(1) : '?'} places={1} />
            </WorkedRow>
          </>
        ) : (
          <p className="py-1 text-[12.5px] text-ink2">
            No protection board: below the motor’s end nothing opens, and lamps left on go on emptying the
            pack.
          </p>
        )}
      </FieldGroup>
      <FieldGroup title="The gauge">
        <div className={CHOICE_ROW}>
          <span className="py-0.5 pr-2 leading-[1.15]">Set for cells in series</span>
          <NumberCell
            label="Gauge set for cells in series"
            value={gaugeCells}
            most={60}
            whole
            placeholder="?"
            onChange={(cells) => {
              if (cells !== 0) sheet.change(() => ({ gaugeCells: cells }), 'gauge', 'gauge');
            }}
          />
        </div>
      </FieldGroup>
      <Caution>
        Bars and per cent of a display are volts. Go by volts at rest; under load they lie.{' '}
        {likesFull(sheet.document.packs[0].chemistry)
          ? 'Lead-acid lasts by being charged full, every time.'
          : 'Charging to 85 % and keeping to the middle makes a pack last: Power shows both ranges.'}
      </Caution>
    </>
  );
}

/** Volts at rest by what is in the pack, and what a display shows that is set for this pack or for another. */
export function CutoffsPicture({ sheet }: { sheet: SettingsSheet }) {
  const { machine, known } = sheet.verdict.study;
  const counted = known.packs[0].cellsInSeries.source !== 'unknown';

  const cells = Math.round(machine.pack.cellsInSeries);
  const { gaugeCells } = sheet.document.settings;
  if (!counted)
    return (
      <p className="py-3 text-ink2">
        How many cells the pack has in series is not known: no volts can be told, nor what a gauge makes of
        them. Power asks for it.
      </p>
    );
  const setFor = gaugeCells ?? cells;
  const rows = gaugeTable(machine.pack, setFor);
  const full = rows[0];
  const percent = (share: number): string => `${formatNumber(100 * share, 0)} %`;
  return (
    <section aria-label="Gauge">
      <PanelHead
        title={
          full === undefined || setFor === cells
            ? 'Volts at rest, and what a gauge makes of them'
            : `Set for ${String(setFor)} in series it shows ${percent(full.shown)} on a full pack`
        }
        note={gaugeCells === null ? 'what it is set for is not known' : undefined}
      />
      <table className="w-full border-collapse text-[13.5px]" data-testid="gauge">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-right text-[12.5px]">
            <th className="py-1 text-left font-semibold">In the pack</th>
            <th className="py-1 font-semibold">At rest, V</th>
            <th className="py-1 font-semibold">Gauge set for {cells}</th>
            <th className="py-1 font-semibold">
              {gaugeCells === null ? 'As it is set' : `As it is set, for ${String(setFor)}`}
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.charge} className="border-b border-hair text-right">
              <th scope="row" className="num py-1 text-left font-normal">
                {percent(r.charge)}
              </th>
              <td className="num py-1">{formatNumber(r.restV, 1)}</td>
              <td className="num py-1">{percent(r.rightly)}</td>
              <td className="num py-1 font-semibold">{gaugeCells === null ? '?' : percent(r.shown)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="pt-2 text-[12.5px] text-ink2">
        A plain gauge shares the volts of a cell from empty to full evenly; cells do not. Common practice, no
        source.
      </p>
      <GaugeSeen sheet={sheet} />
    </section>
  );
}

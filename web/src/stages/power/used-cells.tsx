import { useState } from 'react';
import {
  counted,
  describeIssue,
  readCells,
  withValues,
  type MatchOutcome,
  type RefusalReason,
  type UsedCell,
  fileName,
} from '@apple-cart/core';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { downloadText } from '../../files/download.ts';
import { useKeptText } from '../../state/kept-text.ts';
import { verdictOf } from '../../state/verdicts.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { tableCsv, type Cell } from '../../files/table-csv.ts';
import { useAttempt } from '../../state/use-attempt.ts';
import { readFile } from '../../work/read-file.ts';
import { usePack } from '../parts/use-pack.ts';
import { useRun } from '../../work/use-run.ts';

const REASONS: Readonly<Record<RefusalReason, string>> = {
  'low-capacity': 'too little capacity',
  'high-resistance': 'too much resistance',
  'no-resistance': '0 mΩ: measured wrongly, or shorted',
  'left-over': 'not needed',
};

const textOf = (cells: readonly UsedCell[]): string =>
  cells.map((c) => [c.name, c.mah, ...(c.mohm === null ? [] : [c.mohm])].join(', ')).join('\n');

function Result({ outcome, name }: { outcome: MatchOutcome; name: string }) {
  if (!outcome.ok) {
    return (
      <p className="py-2 text-stop" role="alert">
        {outcome.needed} cells are needed, {outcome.usable} can be used
        {outcome.refused.length > 0 ? ` (${String(outcome.refused.length)} refused)` : ''}. Measure more, or
        make a smaller pack.
      </p>
    );
  }
  const { groups, refused, spreadMah, greedySpreadMah, lowerBoundMah, weakest, rounds } = outcome.matching;
  const weak = groups[weakest];
  const mean = groups.reduce((sum, g) => sum + g.mah, 0) / groups.length;
  const mah = (value: number): string => (Number.isInteger(value) ? String(value) : value.toFixed(1));
  const save = (): void => {
    const rows = [
      ...groups.flatMap((g, i) =>
        g.cells.map((c): readonly Cell[] => [i + 1, c.name, c.mah, c.mohm ?? undefined]),
      ),
      ...refused.map((r): readonly Cell[] => [
        REASONS[r.reason],
        r.cell.name,
        r.cell.mah,
        r.cell.mohm ?? undefined,
      ]),
    ];
    downloadText(
      fileName(`${name} groups`, 'csv'),
      tableCsv({ columns: ['group', 'cell', 'mAh', 'mohm'].map((column) => ({ name: column })), rows }),
      'text/csv',
    );
  };
  return (
    <div data-testid="groups">
      <PanelHead
        title={`Groups within ${mah(spreadMah)} mAh, ${((100 * spreadMah) / mean).toFixed(2)} % of a group`}
      >
        <Button kind="quiet" className="h-7! max-bench:h-11!" onClick={save}>
          Export (CSV)
        </Button>
      </PanelHead>
      <p className="pb-1.5 text-[13px] text-ink2">
        Dealt out by size alone: {mah(greedySpreadMah)} mAh. No arrangement is below {mah(lowerBoundMah)} mAh.
        Weakest: group {weakest + 1} with {weak === undefined ? '' : mah(weak.mah)} mAh, which empties first.{' '}
        {rounds} fresh starts.
      </p>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Groups of cells">
        <table className="w-full border-collapse text-[13px]">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12.5px] [&>th]:py-1 [&>th]:font-semibold">
              <th className="text-left">Group</th>
              <th className="text-right">mAh</th>
              <th className="pr-3 text-right">mΩ</th>
              <th className="text-left">Cells</th>
            </tr>
          </thead>
          <tbody>
            {groups.map((g, i) => (
              <tr
                key={i}
                className={`border-b border-hair align-baseline ${i === weakest ? 'bg-press' : ''}`}
              >
                <th scope="row" className="num py-1 text-left font-normal">
                  {i + 1}
                </th>
                <td className="num py-1 text-right">{mah(g.mah)}</td>
                <td className="num py-1 pr-3 text-right">{g.mohm === undefined ? '–' : g.mohm.toFixed(1)}</td>
                <td className="py-1 text-[12.5px]">{g.cells.map((c) => c.name).join(' ')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {refused.length > 0 && (
        <>
          <h3 className="head pt-3 text-[14px]">Not used</h3>
          <ul className="columns-2 text-[12.5px] max-tablet:columns-1">
            {refused.map((r) => (
              <li key={r.cell.name}>
                <b className="font-semibold">{r.cell.name}</b> {r.cell.mah} mAh
                {r.cell.mohm === null ? '' : `, ${String(r.cell.mohm)} mΩ`}: {REASONS[r.reason]}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** Measured used cells, pasted, sorted into groups of equal capacity. */
export function UsedCells() {
  const document = useDocument();
  const edit = useBuild((state) => state.edit);
  const { index, at, pack: entered } = usePack(document);
  const { packs } = verdictOf(document).known;
  const pack = packs[index] ?? packs[0];
  const { cell } = pack;
  const [text, setText] = useKeptText(`packs.${String(index)}.cell.used`);
  const [touched, setTouched] = useState(false);
  const { run: matching, start, stop } = useRun('match');
  const [trouble, attempt] = useAttempt();
  const { used } = entered.cell;
  const shown = text ?? textOf(used);
  const read = readCells(shown);
  const take = (next: string): void => {
    const list = readCells(next);
    setText(next, list.wrong.length > 0);
    edit(
      (d) => withValues(d, `${at}.cell`, { used: [...list.cells] }),
      'used cells',
      `packs.${String(index)}.cell.used`,
    );
  };
  const series = Math.max(1, Math.ceil(pack.cellsInSeries.value / entered.cell.inBody));
  const parallel = Math.max(1, Math.round(cell.parallel.value));
  return (
    <section aria-label="Used cells" className="pt-4">
      <PanelHead
        title="Used cells: sort them into equal groups"
        note={`${String(series)} groups of ${String(parallel)}`}
      />
      <label className="block text-[13px]">
        <span className="text-ink2">
          One cell a line: name, capacity in mAh, resistance in mΩ. Name and resistance may be left out. A
          file can be pasted or chosen.
        </span>
        <textarea
          className="num mt-1 block h-32 w-full border border-rule bg-field p-2 text-[13px] focus:shadow-[inset_0_0_0_2px_var(--slate-fill)] focus:outline-none"
          value={shown}
          spellCheck={false}
          data-testid="used-cells"
          onChange={(event) => {
            setTouched(true);
            take(event.target.value);
          }}
          onBlur={() => {
            // What was read stands in the build: an undo shows here too. What was not read stays as typed.
            if (read.wrong.length === 0) setText(undefined);
          }}
        />
      </label>
      {read.wrong.length > 0 && (
        <ul className="pt-1 text-[12.5px] text-stop" role="alert">
          {read.wrong.slice(0, 5).map((w) => (
            <li key={w.line}>
              Line {w.line}, “{w.text}”: {w.why}.
            </li>
          ))}
          {read.wrong.length > 5 && <li>and {read.wrong.length - 5} more lines.</li>}
        </ul>
      )}
      {trouble !== undefined && (
        <p role="alert" className="pt-1 text-[12.5px] text-stop">
          {trouble}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-2 py-2">
        <Button
          disabled={matching.state === 'running' || read.cells.length === 0}
          onClick={() => {
            start({ cells: read.cells, series, parallel });
          }}
        >
          Sort {counted(read.cells.length, 'cell')}
        </Button>
        <label className="inline-flex h-8 cursor-pointer items-center border-[1.5px] border-rule px-3 text-[13px] text-ink2 hover:bg-press max-bench:h-11">
          From a file
          <input
            type="file"
            accept=".csv,.txt,text/csv,text/plain"
            className="sr-only"
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file === undefined) return;
              event.target.value = '';
              void attempt(async () => {
                const content = await readFile('textFile', file, new AbortController().signal);
                if (content.ok) take(content.value);
                else throw new Error(content.issues.map(describeIssue).join(' '));
              });
            }}
          />
        </label>
        {matching.state === 'running' && (
          <>
            <Button kind="quiet" onClick={stop}>
              Stop
            </Button>
            <span role="status" className="text-[13px] text-ink2">
              {matching.progress === undefined
                ? 'Dealing out.'
                : `Start ${String(matching.progress.round)} of ${String(matching.progress.rounds)}, within ${matching.progress.spreadMah.toFixed(0)} mAh.`}
            </span>
          </>
        )}
        {matching.state === 'failed' && (
          <span className="text-[13px] text-stop">
            Sorting failed: {matching.why}. Nothing was lost: try again.
          </span>
        )}
        {matching.state === 'idle' && touched && read.cells.length > 0 && (
          <span className="text-[13px] text-ink2">{counted(read.cells.length, 'cell')} read.</span>
        )}
      </div>
      {matching.state === 'done' && <Result outcome={matching.outcome} name={document.name} />}
    </section>
  );
}

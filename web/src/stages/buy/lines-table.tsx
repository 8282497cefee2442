import {
  LINE_GROUPS,
  LINE_STATES,
  moneyText,
  stopsOf,
  sumsSoFar,
  type LineGroup,
  type LineState,
  type Row,
  type Verdict,
} from '@apple-cart/core';
import { ChevronRight } from 'lucide-react';
import { Fragment, useState } from 'react';
import { useBuild } from '../../state/build-store.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { ListFiles } from './list-files.tsx';
import { GROUP_NAMES } from './group-names.ts';
import { LinePanel } from './line-panel.tsx';
import { LineRow, off } from './line-row.tsx';
import { LineMark, STATE_WORDS } from './line-states.tsx';
import type { Purchasing } from './use-purchase.ts';

type Filter = LineState | 'all' | 'no-price';

const passes = (row: Row, filter: Filter): boolean =>
  filter === 'all' ||
  (filter === 'no-price'
    ? row.price === null && row.group !== 'tools' && row.state !== 'owned'
    : row.state === filter);

/** Filter and legend of the marks in one. */
function Chips({
  rows,
  filter,
  onFilter,
}: {
  rows: readonly Row[];
  filter: Filter;
  onFilter: (f: Filter) => void;
}) {
  const chips: readonly (readonly [Filter, string])[] = [
    ['all', 'all'],
    ...LINE_STATES.map((s) => [s, STATE_WORDS[s]] as const),
    ['no-price', 'no price'],
  ];
  return (
    <div className="no-print flex flex-wrap gap-1.5 pt-2 pb-1.5" role="group" aria-label="Which lines">
      {chips.map(([id, name]) => (
        <button
          key={id}
          type="button"
          aria-pressed={filter === id}
          onClick={() => {
            onFilter(id);
          }}
          className="flex min-h-7 items-center gap-1.5 border-[1.5px] border-rule px-2 text-[12.5px] hover:bg-press aria-pressed:border-ink aria-pressed:font-semibold max-bench:min-h-11"
        >
          {id !== 'all' && id !== 'no-price' && <LineMark state={id} />}
          {name} <span className="num">{rows.filter((r) => passes(r, id)).length}</span>
        </button>
      ))}
    </div>
  );
}

/** Head of a group: what it holds and how much of it is to be bought. */
function GroupHead({
  name,
  list,
  open,
  onToggle,
}: {
  name: string;
  list: readonly Row[];
  open: boolean;
  onToggle: () => void;
}) {
  return (
    <tr className="border-b border-ink">
      <th scope="rowgroup" colSpan={4} className="pt-1.5 text-left">
        <button
          type="button"
          aria-expanded={open}
          onClick={onToggle}
          className="head flex min-h-7 items-center gap-1.5 text-[14px] hover:bg-press max-bench:min-h-11"
        >
          <ChevronRight
            size={14}
            strokeWidth={1.8}
            aria-hidden
            className={`no-print ${open ? 'rotate-90' : ''}`}
          />
          {name}
        </button>
      </th>
      <td colSpan={2} className="pt-2 pb-1 text-right text-[12px] text-ink2">
        {list.length} {list.length === 1 ? 'line' : 'lines'},{' '}
        {list.filter((r) => r.state === 'needed').length} to buy
      </td>
    </tr>
  );
}

/** The list: by group, each line with its reason; filtered by where things are. */
export function LinesTable({ rows, ledger, document, say, verdict }: Purchasing & { verdict: Verdict }) {
  const edit = useBuild((state) => state.edit);
  const [filter, setFilter] = useState<Filter>('all');
  const [opened, setOpened] = useState<string>();
  const open = rows.find((r) => r.key === opened);
  const [toggled, setToggled] = useState<Readonly<Record<string, boolean>>>({});
  const stops = new Map(rows.map((row) => [row.key, off(row) ? [] : stopsOf(row, verdict.study)]));
  /** A group of which nothing is to be bought, and nothing stops, stands folded until somebody looks into it or for something. */
  const isOpen = (id: string, list: readonly Row[]): boolean =>
    toggled[id] ??
    (filter !== 'all' ||
      list.some((r) => r.state === 'needed' || r.from !== 'build' || stops.get(r.key)?.length !== 0));
  const shown = rows.filter((row) => passes(row, filter));
  const takeOut = (row: Row) => () => {
    edit((d) => {
      const lines = Object.fromEntries(Object.entries(d.purchase.lines).filter(([key]) => key !== row.key));
      const added = d.purchase.added.filter((one) => one.key !== row.key);
      return { ...d, purchase: { ...d.purchase, lines, added } };
    }, `${row.what.toLowerCase()} taken out`);
  };
  const asked = (group: LineGroup): readonly Row[] =>
    shown.filter((r) => r.from === 'build' && r.group === group);
  const groups = [
    ...LINE_GROUPS.map((id) => ({ id: id, name: GROUP_NAMES[id], list: asked(id) })),
    { id: 'added', name: 'Added by hand', list: shown.filter((r) => r.from === 'added') },
    { id: 'gone', name: 'Not asked for any more', list: shown.filter((r) => r.from === 'gone') },
  ].filter(({ list }) => list.length > 0);
  /** Down the list as it stands; tools by themselves, as in what it comes to. */
  const so = new Map([
    ...sumsSoFar(groups.flatMap(({ id, list }) => (id === 'tools' ? [] : list))),
    ...sumsSoFar(asked('tools')),
  ]);
  return (
    <section aria-label="Parts list">
      <PanelHead
        title={
          ledger.open === 0
            ? 'Nothing left to buy'
            : `${String(ledger.open)} still to buy, ${String(ledger.openSmall)} of them small parts`
        }
        note={`${moneyText(ledger.toBuy, document.money.currency)}, ${ledger.unpriced === 0 ? 'all priced' : `${String(ledger.unpriced)} without a price`}; tools apart`}
      >
        <ListFiles rows={rows} document={document} />
      </PanelHead>
      <Chips rows={rows} filter={filter} onFilter={setFilter} />
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Lines">
        <table
          className="w-full min-w-[580px] border-collapse text-[13.5px] leading-snug"
          data-testid="parts-list"
        >
          <thead>
            <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
              <th className="py-1 font-semibold">State</th>
              <th className="py-1 font-semibold">What, and why it is on the list</th>
              <th className="py-1 pr-2 text-right font-semibold">Pieces</th>
              <th className="py-1 pr-2 text-right font-semibold">
                Price, {document.money.currency}
                <span className="block font-normal text-ink2">so far</span>
              </th>
              <th className="py-1 pr-2 text-right font-semibold">Days</th>
              <th className="py-1 font-semibold">Supplier</th>
            </tr>
          </thead>
          <tbody>
            {groups.map(({ id, name, list }) => (
              <Fragment key={id}>
                <GroupHead
                  name={name}
                  list={list}
                  open={isOpen(id, list)}
                  onToggle={() => {
                    setToggled((now) => ({ ...now, [id]: !isOpen(id, list) }));
                  }}
                />
                {(isOpen(id, list) ? list : []).map((row) => (
                  <LineRow
                    key={row.key}
                    row={row}
                    so={so.get(row.key)}
                    stops={stops.get(row.key) ?? []}
                    currency={document.money.currency}
                    second={document.purchase.second?.currency}
                    onOpen={() => {
                      setOpened(row.key);
                    }}
                    onSay={(said) => {
                      say(row, said);
                    }}
                    onTakeOut={row.from === 'build' ? undefined : takeOut(row)}
                  />
                ))}
              </Fragment>
            ))}
          </tbody>
        </table>
      </div>
      {open !== undefined && (
        <LinePanel
          row={open}
          document={document}
          verdict={verdict}
          onSay={(said) => {
            say(open, said);
          }}
          onClose={() => {
            setOpened(undefined);
          }}
        />
      )}
      {groups.length === 0 && <p className="py-2 text-ink2">No line is like that.</p>}
    </section>
  );
}

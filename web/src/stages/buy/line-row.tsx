import {
  LINE_STATES,
  MOST_MONEY,
  moneyText,
  phraseText,
  type LineState,
  type Row,
  type Said,
  type LineFit,
  type SumSoFar,
} from '@apple-cart/core';
import type { KeyboardEvent } from 'react';
import { useSettings } from '../../state/settings-store.ts';
import { today } from '../../state/today.ts';
import { Menu, MenuChoice } from '../../ui/menu.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { TextButton } from '../../ui/text-button.tsx';
import { LineMark, STATE_WORDS } from './line-states.tsx';
import { NotAsItStands } from './not-as-it-stands.tsx';
import { SoFar } from './so-far.tsx';

/** Where a thing went to: an order is dated today unless it has a day already. */
const movedTo = (row: Row, state: LineState): Said =>
  state === 'ordered' && row.said.orderedOn === '' ? { state, orderedOn: today() } : { state };

/** First letters that set where a thing is while its row has the focus. */
const LETTERS: Readonly<Record<string, LineState>> = {
  b: 'needed',
  o: 'ordered',
  a: 'arrived',
  f: 'fitted',
  w: 'owned',
};

/** Letters move the thing, arrows the focus from row to row; what is typed into a field is left alone. */
function onRowKey(event: KeyboardEvent<HTMLTableRowElement>, row: Row, onSay: (said: Said) => void): void {
  if (event.target instanceof HTMLInputElement || event.altKey || event.ctrlKey || event.metaKey) return;
  const state = LETTERS[event.key];
  if (state !== undefined) {
    onSay(movedTo(row, state));
    return;
  }
  if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
  // An open menu moves its own choice.
  if (event.target instanceof Element && event.target.getAttribute('aria-expanded') === 'true') return;
  const rows = [
    ...(event.currentTarget.closest('table')?.querySelectorAll<HTMLElement>('[data-state-of]') ?? []),
  ];
  const here = rows.findIndex((b) => b.dataset['stateOf'] === row.key);
  const next = rows[here + (event.key === 'ArrowDown' ? 1 : -1)];
  if (next === undefined) return;
  event.preventDefault();
  next.focus();
}

/** Where it is: a word and a crate, changed by a menu or by its first letter. */
function StateCell({ row, onSay }: { row: Row; onSay: (said: Said) => void }) {
  return (
    <Menu
      trigger={
        <button
          type="button"
          data-state-of={row.key}
          aria-label={`${STATE_WORDS[row.state]}: ${row.what}`}
          aria-keyshortcuts="b o a f w"
          className="flex min-h-7 w-full items-center gap-1.5 text-left text-[12.5px] hover:bg-press max-bench:min-h-11"
          onKeyDown={(event) => {
            // The arrows go from row to row here; Enter and Space open the menu.
            if (event.key === 'ArrowDown' || event.key === 'ArrowUp') event.preventDefault();
          }}
        >
          <LineMark state={row.state} /> {STATE_WORDS[row.state]}
        </button>
      }
    >
      <MenuChoice
        value={row.state}
        options={LINE_STATES.map((value) => ({ value, label: STATE_WORDS[value] }))}
        onChange={(state) => {
          onSay(movedTo(row, state));
        }}
      />
    </Menu>
  );
}

const UNIT = { piece: '', pair: ' pair', m: ' m', set: ' set' } as const;

/** What nobody wants any more. */
export const off = ({ from, state }: Row): boolean => from === 'gone' || state === 'not-needed';

/** What stands under a line: why, what it stops at, what to ask, and notes of hand. */
function Under({
  row,
  stops,
  currency,
  onOpen,
}: {
  row: Row;
  stops: readonly LineFit[];
  currency: string;
  onOpen: () => void;
}) {
  const system = useSettings((state) => state.units);
  const { line, likely } = row;
  const between = (least: number, most: number): string => {
    const [from, to] = [moneyText(least, currency, 2), moneyText(most, currency, 2)];
    return from === to ? from : `${from} to ${to}`;
  };
  return (
    <span className="block text-[12px] leading-snug text-ink2">
      {row.from === 'added' && 'added by hand'}
      {row.from === 'gone' && 'the build asks for it no more'}
      {row.said.secondHand && <b className="font-semibold text-ink">second-hand, </b>}
      {line !== undefined && (
        <button
          type="button"
          data-why={row.key}
          onClick={onOpen}
          className="text-left text-slate underline decoration-dotted underline-offset-2 hover:bg-press max-bench:min-h-11"
        >
          {phraseText(line.why, system)}
          {line.ask !== '' && row.state === 'needed' && row.broughtBy === undefined && ', ask first'}
        </button>
      )}
      <NotAsItStands stops={stops} />
      {row.broughtBy !== undefined && (
        <span className="block">
          {row.broughtBy === 'donor' ? 'stays of the donor' : `comes in the box of the ${row.broughtBy}`}
        </span>
      )}
      {row.price === null && likely !== undefined && (
        <span className="block">likely {between(likely.least, likely.most)}, by the shelf</span>
      )}
    </span>
  );
}

/** One line: where it is, what it is and why, how many, what it costs, how long it takes, from whom. */
export function LineRow({
  row,
  so,
  stops,
  currency,
  second,
  onSay,
  onOpen,
  onTakeOut,
}: {
  row: Row;
  /** What the list comes to up to here; none for what nobody wants any more. */
  so: SumSoFar | undefined;
  /** What it should not be bought for as it stands. */
  stops: readonly LineFit[];
  currency: string;
  /** The other currency, where there is one. */
  second: string | undefined;
  onSay: (said: Said) => void;
  onOpen: () => void;
  onTakeOut: (() => void) | undefined;
}) {
  const system = useSettings((state) => state.units);
  const { line, said } = row;
  const small = line?.small !== false;
  const what = line === undefined ? row.what : phraseText(line.what, system);
  const brought = row.broughtBy !== undefined;
  return (
    <tr
      className="border-b border-hair align-top"
      data-line={row.key}
      onKeyDown={(event) => {
        onRowKey(event, row, onSay);
      }}
    >
      <td className="w-24 py-1 pr-1">
        <StateCell row={row} onSay={onSay} />
      </td>
      <th scope="row" className="py-1.5 pr-2 text-left font-normal">
        <span className={`${small ? 'font-semibold' : ''} ${off(row) ? 'line-through' : ''}`}>{what}</span>
        <Under row={row} stops={stops} currency={currency} onOpen={onOpen} />
        {row.state === 'not-needed' && (
          <input
            aria-label={`Why it is not needed: ${row.what}`}
            placeholder="why not?"
            maxLength={120}
            value={said.reason}
            onChange={(event) => {
              onSay({ reason: event.target.value });
            }}
            className="mt-1 block h-7 w-full bg-field px-1.5 text-ink max-bench:h-11"
          />
        )}
        {onTakeOut !== undefined && (
          <TextButton onClick={onTakeOut} aria-label={`Take out: ${row.what}`}>
            Take out
          </TextButton>
        )}
      </th>
      <td className="num py-1.5 pr-2 text-right whitespace-nowrap">
        {row.quantity}
        {line === undefined ? '' : UNIT[line.unit]}
      </td>
      <td className="w-20 py-1 pr-2">
        {brought ? (
          <span className="num block py-0.5 text-right text-ink2">
            {row.broughtBy === 'donor' ? 'on it' : 'in the box'}
          </span>
        ) : (
          <>
            <NumberCell
              label={`Price: ${row.what}`}
              value={said.price}
              most={MOST_MONEY}
              placeholder={row.price === null ? '?' : row.price.toFixed(2)}
              onChange={(price) => {
                onSay({ price });
              }}
            />
            {said.inSecond && (
              <span className="num block text-right text-[12px] text-ink2">{second ?? '?'}</span>
            )}
          </>
        )}
        {!brought && <SoFar so={so} currency={currency} />}
      </td>
      <td className="w-14 py-1 pr-2">
        {!brought && (
          <NumberCell
            label={`Days to come: ${row.what}`}
            value={said.leadDays}
            most={400}
            whole
            onChange={(leadDays) => {
              onSay({ leadDays });
            }}
          />
        )}
      </td>
      <td className="w-28 py-1">
        {!brought && (
          <input
            aria-label={`Supplier: ${row.what}`}
            maxLength={60}
            value={said.supplier}
            onChange={(event) => {
              onSay({ supplier: event.target.value });
            }}
            className="h-7 w-full min-w-0 border-b border-ink3 bg-field px-1.5 text-[13px] max-bench:h-11 print:border-0"
          />
        )}
        {said.note !== '' && (
          <span className="block pt-0.5 text-[12px] leading-snug text-ink2">{said.note}</span>
        )}
      </td>
    </tr>
  );
}

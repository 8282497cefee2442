import { LINE_STATES, phraseText, type Row, type Said } from '@apple-cart/core';
import { useState } from 'react';
import { useSettings } from '../../state/settings-store.ts';
import { Menu, MenuChoice } from '../../ui/menu.tsx';
import { TextButton } from '../../ui/text-button.tsx';
import { LineMark, STATE_WORDS } from './line-states.tsx';

const CELL =
  'num h-7 w-full bg-field px-1.5 text-right text-[13.5px] border-b border-ink3 max-bench:h-11 print:border-0 aria-[invalid=true]:border-b-2 aria-[invalid=true]:border-stop';

/** A number that is typed into a table: it counts as soon as it can be read, and stays as typed while it cannot. */
function NumberCell({
  label,
  value,
  most,
  whole = false,
  onChange,
}: {
  label: string;
  value: number | null;
  most: number;
  whole?: boolean;
  onChange: (value: number | null) => void;
}) {
  const [text, setText] = useState<string>();
  const read = (typed: string): number | null | undefined => {
    const plain = typed.trim().replace(',', '.');
    if (plain === '' || plain === '?') return null;
    const number = Number(plain);
    return number >= 0 && number <= most && (!whole || Number.isInteger(number)) ? number : undefined;
  };
  const shown = text ?? (value === null ? '' : String(value));
  return (
    <input
      aria-label={label}
      inputMode="decimal"
      autoComplete="off"
      placeholder="?"
      className={`${CELL} placeholder:text-slate`}
      aria-invalid={read(shown) === undefined}
      title={
        read(shown) === undefined
          ? `A ${whole ? 'whole ' : ''}number from 0 to ${most.toLocaleString('en-GB')}, or nothing`
          : undefined
      }
      value={shown}
      onChange={(event) => {
        setText(event.target.value);
        const next = read(event.target.value);
        if (next !== undefined) onChange(next);
      }}
      onBlur={() => {
        if (read(shown) !== undefined) setText(undefined);
      }}
    />
  );
}

/** Where it is: a word and a crate, changed by a menu or by its first letter. */
function StateCell({ row, onSay }: { row: Row; onSay: (said: Said) => void }) {
  const letters = { b: 'needed', o: 'ordered', a: 'arrived', f: 'fitted', w: 'owned' } as const;
  return (
    <Menu
      trigger={
        <button
          type="button"
          aria-label={`${STATE_WORDS[row.state]}: ${row.what}`}
          className="flex min-h-7 w-full items-center gap-1.5 text-left text-[12.5px] hover:bg-press max-bench:min-h-11"
          onKeyDown={(event) => {
            const next = letters[event.key as keyof typeof letters] as Row['state'] | undefined;
            if (next !== undefined) onSay({ state: next });
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
          onSay({ state });
        }}
      />
    </Menu>
  );
}

const UNIT = { piece: '', pair: ' pair', m: ' m', set: ' set' } as const;

/** One line: where it is, what it is and why, how many, what it costs, how long it takes, from whom. */
export function LineRow({
  row,
  onSay,
  onTakeOut,
}: {
  row: Row;
  onSay: (said: Said) => void;
  onTakeOut: (() => void) | undefined;
}) {
  const system = useSettings((state) => state.units);
  const { line, said } = row;
  const off = row.from === 'gone' || row.state === 'not-needed';
  const small = line?.small !== false;
  const what = line === undefined ? row.what : phraseText(line.what, system);
  return (
    <tr className="border-b border-hair align-top" data-line={row.key}>
      <td className="w-24 py-1 pr-1">
        <StateCell row={row} onSay={onSay} />
      </td>
      <th scope="row" className="py-1.5 pr-2 text-left font-normal">
        <span className={`${small ? 'font-semibold' : ''} ${off ? 'line-through' : ''}`}>{what}</span>
        <span className="block text-[12px] leading-snug text-ink2">
          {row.from === 'added' && 'added by hand'}
          {row.from === 'gone' && 'the build asks for it no more'}
          {line !== undefined && (
            <>
              {phraseText(line.why, system)} <span className="text-ink3">({line.origin})</span>
              {line.ask !== '' && row.state === 'needed' && (
                <span className="block text-slate">{line.ask}</span>
              )}
            </>
          )}
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
        </span>
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
        <NumberCell
          label={`Price: ${row.what}`}
          value={row.price}
          most={1e9}
          onChange={(price) => {
            onSay({ price });
          }}
        />
      </td>
      <td className="w-14 py-1 pr-2">
        <NumberCell
          label={`Days to come: ${row.what}`}
          value={said.leadDays}
          most={400}
          whole
          onChange={(leadDays) => {
            onSay({ leadDays });
          }}
        />
      </td>
      <td className="w-28 py-1">
        <input
          aria-label={`Supplier: ${row.what}`}
          maxLength={60}
          value={said.supplier}
          onChange={(event) => {
            onSay({ supplier: event.target.value });
          }}
          className="h-7 w-full border-b border-ink3 bg-field px-1.5 text-[13px] max-bench:h-11 print:border-0"
        />
      </td>
    </tr>
  );
}

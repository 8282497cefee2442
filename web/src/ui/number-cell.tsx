import { useId, useState } from 'react';

const CELL =
  'num h-7 w-full min-w-0 bg-field px-1.5 text-right text-[13.5px] border-b border-ink3 max-bench:h-11 print:border-0 aria-[invalid=true]:border-b-2 aria-[invalid=true]:border-stop';

/** Kept in another unit than it is read in: what was typed here reads as it was typed, what was not to four figures. */
function readable(value: number): number {
  const typed = Number(value.toPrecision(6));
  return Math.abs(typed - value) <= 1e-9 * Math.abs(value) ? typed : Number(value.toPrecision(4));
}

/** A number that is typed into a table: it counts as soon as it can be read, and stays as typed while it cannot. */
export function NumberCell({
  label,
  value,
  most,
  scale = 1,
  whole = false,
  placeholder = '?',
  onChange,
}: {
  label: string;
  value: number | null;
  most: number;
  /** What is read and typed, for one of what is kept: a unit of the reader's own. */
  scale?: number;
  whole?: boolean;
  /** Stands where nothing is entered. */
  placeholder?: string;
  onChange: (value: number | null) => void;
}) {
  const [text, setText] = useState<string>();
  const id = useId();
  const read = (typed: string): number | null | undefined => {
    const plain = typed.trim().replace(',', '.');
    if (plain === '' || plain === '?') return null;
    const number = Number(plain);
    const kept = number / scale;
    return kept >= 0 && kept <= most && (!whole || Number.isInteger(number)) ? kept : undefined;
  };
  const shown = text ?? (value === null ? '' : String(scale === 1 ? value : readable(value * scale)));
  const bad = read(shown) === undefined;
  return (
    <>
      <input
        aria-label={label}
        inputMode="decimal"
        autoComplete="off"
        placeholder={placeholder}
        className={`${CELL} placeholder:text-slate`}
        aria-invalid={bad}
        aria-describedby={bad ? id : undefined}
        value={shown}
        onChange={(event) => {
          setText(event.target.value);
          const next = read(event.target.value);
          if (next !== undefined) onChange(next);
        }}
        onBlur={() => {
          if (!bad) setText(undefined);
        }}
      />
      {bad && (
        <span
          id={id}
          role="alert"
          className="block text-left font-text text-[12px] leading-tight whitespace-normal text-stop"
        >
          A {whole ? 'whole ' : ''}number from 0 to {Math.floor(most * scale).toLocaleString('en-GB')}, or
          nothing.
        </span>
      )}
    </>
  );
}

import { useId, useState } from 'react';

const CELL =
  'num h-7 w-full min-w-0 bg-field px-1.5 text-right text-[13.5px] border-b border-ink3 max-bench:h-11 print:border-0 aria-[invalid=true]:border-b-2 aria-[invalid=true]:border-stop';

/** A number that is typed into a table: it counts as soon as it can be read, and stays as typed while it cannot. */
export function NumberCell({
  label,
  value,
  most,
  whole = false,
  placeholder = '?',
  onChange,
}: {
  label: string;
  value: number | null;
  most: number;
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
    return number >= 0 && number <= most && (!whole || Number.isInteger(number)) ? number : undefined;
  };
  const shown = text ?? (value === null ? '' : String(value));
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
          A {whole ? 'whole ' : ''}number from 0 to {most.toLocaleString('en-GB')}, or nothing.
        </span>
      )}
    </>
  );
}

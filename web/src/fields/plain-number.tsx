import { useId, useState } from 'react';
import { convert, formatQuantity, parseQuantity, shownUnit, unitText, type Unit } from '@apple-cart/core';
import { useSettings } from '../state/settings-store.ts';

interface Props {
  readonly label: string;
  readonly value: number;
  readonly unit: Unit | 'degrees';
  readonly min: number;
  readonly max: number;
  readonly step: number;
  /** Decimals shown. */
  readonly digits?: number;
  /** Nought is meant as well, below the least. */
  readonly orNought?: boolean;
  readonly onChange: (value: number) => void;
}

/** A number without a source of its own, such as a place in a drawing: typed, or nudged with the arrow keys. */
export function PlainNumber({
  label,
  value,
  unit,
  min,
  max,
  step,
  digits = 0,
  orNought = false,
  onChange,
}: Props) {
  const system = useSettings((state) => state.units);
  const [text, setText] = useState<string>();
  const id = useId();
  const own: Unit = unit === 'degrees' ? '1' : unit;
  const shown = shownUnit(own, system);
  const usual = convert(value, own, shown).toFixed(shown === 'in' ? 2 : digits);

  const read = (typed: string): number | undefined => {
    const parsed = parseQuantity(typed, own, shown);
    if (!parsed.ok) return undefined;
    const { value: next } = parsed;
    return (orNought && next === 0) || (next >= min && next <= max) ? next : undefined;
  };
  const wrong = text !== undefined && text.trim() !== '' && read(text) === undefined;
  const end = (limit: number): string => formatQuantity(convert(limit, own, shown), shown);
  return (
    <label htmlFor={id} className="flex min-w-0 flex-wrap items-center gap-1 text-[13px]">
      <span className="text-ink2">{label}</span>
      <input
        id={id}
        className={`num h-6 w-[54px] bg-field pr-1 text-right text-[14px] max-bench:h-11 ${wrong ? 'border-b-2 border-stop' : 'border-b border-ink3'}`}
        inputMode="decimal"
        autoComplete="off"
        value={text ?? usual}
        aria-invalid={wrong}
        aria-describedby={wrong ? `${id}-why` : undefined}
        onFocus={(event) => {
          setText(text ?? usual);
          event.target.select();
        }}
        onChange={(event) => {
          setText(event.target.value);
          const next = read(event.target.value);
          if (next !== undefined) onChange(next);
        }}
        onBlur={() => {
          // What cannot be used stays as it was typed, and says why.
          if (!wrong) setText(undefined);
        }}
        onKeyDown={(event) => {
          if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
          event.preventDefault();
          const steps = (event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1);
          const next = Math.min(max, Math.max(min, Math.round(value / step + steps) * step));
          setText(undefined);
          onChange(next);
        }}
      />
      <span className="text-[12.5px] text-ink3">{unit === 'degrees' ? '°' : unitText(shown)}</span>
      {wrong && (
        <span id={`${id}-why`} role="alert" className="basis-full text-[12px] leading-tight text-stop">
          {orNought ? '0, or ' : ''}
          {end(min)} to {end(max)}; what was there stays in force.
        </span>
      )}
    </label>
  );
}

import { useId, useState } from 'react';
import { convert, parseQuantity, shownUnit, unitText, type Unit } from '@apple-cart/core';
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
  readonly onChange: (value: number) => void;
}

/** A number without a source of its own, such as a place in a drawing: typed, or nudged with the arrow keys. */
export function PlainNumber({ label, value, unit, min, max, step, digits = 0, onChange }: Props) {
  const system = useSettings((state) => state.units);
  const [text, setText] = useState<string>();
  const id = useId();
  const own: Unit = unit === 'degrees' ? '1' : unit;
  const shown = shownUnit(own, system);
  const usual = convert(value, own, shown).toFixed(shown === 'in' ? 2 : digits);

  const read = (typed: string): number | undefined => {
    const parsed = parseQuantity(typed, own, shown);
    return parsed.ok && parsed.value >= min && parsed.value <= max ? parsed.value : undefined;
  };
  const wrong = text !== undefined && text.trim() !== '' && read(text) === undefined;
  return (
    <label htmlFor={id} className="flex min-w-0 items-center gap-1 text-[13px]">
      <span className="text-ink2">{label}</span>
      <input
        id={id}
        className={`num h-6 w-[54px] bg-field pr-1 text-right text-[14px] max-bench:h-11 ${wrong ? 'border-b-2 border-stop' : 'border-b border-ink3'}`}
        inputMode="decimal"
        autoComplete="off"
        value={text ?? usual}
        aria-invalid={wrong}
        title={wrong ? `A number from ${String(min)} to ${String(max)}` : undefined}
        onFocus={(event) => {
          setText(usual);
          event.target.select();
        }}
        onChange={(event) => {
          setText(event.target.value);
          const next = read(event.target.value);
          if (next !== undefined) onChange(next);
        }}
        onBlur={() => {
          setText(undefined);
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
    </label>
  );
}

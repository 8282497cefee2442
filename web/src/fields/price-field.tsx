import { useId } from 'react';
import { parseQuantity, type BuildDocument } from '@apple-cart/core';
import { useBuild } from '../state/build-store.ts';
import { useKeptText } from '../state/kept-text.ts';
import { CHOICE_ROW } from './choice-field.tsx';

interface Props {
  readonly label: string;
  /** Names the text that could not be used, so that it is kept. */
  readonly field: string;
  readonly value: number | null;
  readonly currency: string;
  readonly most: number;
  readonly change: (document: BuildDocument, value: number | null) => BuildDocument;
}

/** An amount in the build's currency; empty is a price not known, which is never counted as nought. */
export function PriceField({ label, field, value, currency, most, change }: Props) {
  const edit = useBuild((state) => state.edit);
  const [text, setText] = useKeptText(field);
  const id = useId();
  const shown = text ?? (value === null ? '' : String(value));
  const read = (typed: string): number | null | undefined => {
    if (typed.trim() === '') return null;
    const parsed = parseQuantity(typed.replace(/[\p{Sc}]|^[A-Z]{3}\s*/gu, ''), '1');
    return parsed.ok && parsed.value >= 0 && parsed.value <= most ? parsed.value : undefined;
  };
  const bad = read(shown) === undefined;
  return (
    <div>
      <div className={CHOICE_ROW}>
        <label htmlFor={id} className="py-0.5 pr-2 leading-[1.15]">
          {label}
        </label>
        <span
          className={`flex h-[24px] items-center bg-field px-2 focus-within:shadow-[inset_0_0_0_2px_var(--slate-fill)] max-bench:h-11 print:h-6! ${value === null ? 'border-b-2 border-dotted border-slate' : 'border-b border-ink3'}`}
        >
          <input
            id={id}
            inputMode="decimal"
            autoComplete="off"
            className="num w-full min-w-0 flex-1 bg-transparent text-right text-[15px] outline-none max-bench:h-11"
            value={shown}
            placeholder="not known"
            aria-invalid={bad}
            onChange={(event) => {
              const next = read(event.target.value);
              setText(event.target.value, next === undefined);
              if (next !== undefined) edit((d) => change(d, next), label.toLowerCase(), field);
            }}
            onBlur={() => {
              if (!bad) setText(undefined);
            }}
          />
          <span className="pl-2 text-[12.5px] text-ink3">{currency}</span>
        </span>
      </div>
      {bad && (
        <p className="border-b border-hair py-1 text-[12px] text-stop">
          An amount from 0 to {most.toLocaleString('en-GB')}, or nothing.
        </p>
      )}
    </div>
  );
}

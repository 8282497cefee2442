import { useId } from 'react';
import { parseQuantity } from '@apple-cart/core';
import { useBuild, useDocument } from '../state/build-store.ts';
import { useKeptText } from '../state/kept-text.ts';
import { withSection } from '../state/paths.ts';
import { CHOICE_ROW } from './choice-field.tsx';

type Line = 'budget' | 'donor' | 'motor' | 'pack' | 'controller' | 'other';
const MOST = 1_000_000;

/** An amount in the build's currency; empty is a price not known, which is never counted as nought. */
export function MoneyField({ line, label }: { line: Line; label: string }) {
  const { money } = useDocument();
  const edit = useBuild((state) => state.edit);
  const [text, setText] = useKeptText(`money.${line}`);
  const id = useId();
  const shown = text ?? (money[line] === null ? '' : String(money[line]));
  const read = (value: string): number | null | undefined => {
    if (value.trim() === '') return null;
    const parsed = parseQuantity(value.replace(/[£€$]/g, ''), '1');
    return parsed.ok && parsed.value >= 0 && parsed.value <= MOST ? parsed.value : undefined;
  };
  const bad = read(shown) === undefined;
  return (
    <div>
      <div className={CHOICE_ROW}>
        <label htmlFor={id} className="py-0.5 pr-2 leading-[1.15]">
          {label}
        </label>
        <span
          className={`flex h-[24px] items-center bg-field px-2 focus-within:shadow-[inset_0_0_0_2px_var(--slate-fill)] max-bench:h-9 print:h-6! ${money[line] === null ? 'border-b-2 border-dotted border-slate' : 'border-b border-ink3'}`}
        >
          <input
            id={id}
            inputMode="decimal"
            autoComplete="off"
            className="num w-full min-w-0 flex-1 bg-transparent text-right text-[15px] outline-none"
            value={shown}
            placeholder="not known"
            aria-invalid={bad}
            onChange={(event) => {
              const value = read(event.target.value);
              setText(event.target.value, value === undefined);
              if (value !== undefined)
                edit((d) => withSection(d, 'money', { [line]: value }), label.toLowerCase(), `money.${line}`);
            }}
            onBlur={() => {
              if (!bad) setText(undefined);
            }}
          />
          <span className="pl-2 text-[12.5px] text-ink3">{money.currency}</span>
        </span>
      </div>
      {bad && (
        <p className="border-b border-hair py-1 text-[12px] text-stop">
          An amount from 0 to 1,000,000, or nothing.
        </p>
      )}
    </div>
  );
}

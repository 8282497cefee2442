import { useId } from 'react';
import { isDay } from '@apple-cart/core';
import { CHOICE_ROW } from './choice-field.tsx';

/** A day; empty where none is meant. */
function DateInput({
  label,
  id,
  value,
  onChange,
}: {
  label?: string;
  id?: string;
  value: string;
  onChange: (day: string) => void;
}) {
  return (
    <input
      id={id}
      type="date"
      aria-label={label}
      className="h-[24px] w-full min-w-0 border-b border-ink3 bg-field px-2 outline-none focus:shadow-[inset_0_0_0_2px_var(--slate-fill)] max-bench:h-11 print:h-6!"
      value={value}
      onChange={(event) => {
        // A browser gives a day that is typed half as nothing: what stands is kept until it is whole or cleared.
        const next = event.target.value;
        if (next === '' ? event.target.validity.valid : isDay(next)) onChange(next);
      }}
    />
  );
}

export function DateField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (day: string) => void;
}) {
  const id = useId();
  return (
    <div className={CHOICE_ROW}>
      <label htmlFor={id} className="py-0.5 pr-2 leading-[1.15]">
        {label}
      </label>
      <DateInput id={id} value={value} onChange={onChange} />
    </div>
  );
}

import { useId } from 'react';
import { CHOICE_ROW } from './choice-field.tsx';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly max: number;
  readonly placeholder?: string;
  readonly onChange: (value: string) => void;
}

/** A few words of the build, kept as they are typed. */
export function TextField({ label, value, max, placeholder = '', onChange }: Props) {
  const id = useId();
  return (
    <div className={CHOICE_ROW}>
      <label htmlFor={id} className="py-0.5 pr-2 leading-[1.15]">
        {label}
      </label>
      <input
        id={id}
        className="h-[24px] w-full min-w-0 border-b border-ink3 bg-field px-2 outline-none focus:shadow-[inset_0_0_0_2px_var(--slate-fill)] max-bench:h-11 print:h-6!"
        value={value}
        maxLength={max}
        placeholder={placeholder}
        onChange={(event) => {
          onChange(event.target.value);
        }}
      />
    </div>
  );
}

import { useId, type ReactNode } from 'react';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T | undefined;
  readonly options: readonly {
    readonly value: T;
    readonly label: string;
    readonly note?: string;
    readonly picture?: ReactNode;
  }[];
  readonly onChange: (value: T) => void;
  /** How many stand beside each other. */
  readonly columns?: 1 | 2 | 3;
}

const COLUMNS = { 1: 'grid-cols-1', 2: 'grid-cols-2', 3: 'grid-cols-2 tablet:grid-cols-3' } as const;

/** One of a few, all in sight: each answer is a card, taken with one press. */
export function CardsField<T extends string>({ label, value, options, onChange, columns = 1 }: Props<T>) {
  const name = useId();
  return (
    <fieldset className="mt-2.5 pb-2">
      <legend className="head pb-1.5 text-[14px]">{label}</legend>
      <div className={`grid gap-1.5 ${COLUMNS[columns]}`}>
        {options.map((option) => (
          <label
            key={option.value}
            className="relative flex min-h-11 cursor-pointer items-center gap-2.5 border-[1.5px] border-rule bg-field px-2.5 py-1.5 leading-[1.15] hover:bg-press has-checked:border-ink has-checked:bg-sheet has-focus-visible:shadow-[0_0_0_2px_var(--slate-fill)]"
          >
            <input
              type="radio"
              name={name}
              className={`size-4 shrink-0 accent-ink ${option.picture === undefined ? '' : 'absolute top-1.5 left-1.5'}`}
              checked={value === option.value}
              onChange={() => {
                onChange(option.value);
              }}
            />
            <span className={`min-w-0 flex-1 ${option.picture === undefined ? '' : 'text-center'}`}>
              {option.picture}
              <b className="block text-[14px] font-semibold">{option.label}</b>
              {option.note !== undefined && <span className="text-[12px] text-ink2">{option.note}</span>}
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}

/** A few ways of looking at one thing, as buttons side by side. */
export function ChoiceRow<T extends string>({ label, value, options, onChange }: Props<T>) {
  return (
    <div
      className="no-print flex flex-wrap items-center gap-x-2 gap-y-1 text-[13px]"
      role="group"
      aria-label={label}
    >
      <span className="text-ink2">{label}</span>
      {options.map((option) => (
        <button
          key={option.value}
          type="button"
          aria-pressed={option.value === value}
          onClick={() => {
            onChange(option.value);
          }}
          className={`h-7 border-[1.5px] px-2.5 max-bench:h-11 ${option.value === value ? 'border-ink bg-field font-semibold' : 'border-rule text-ink2 hover:bg-press'}`}
        >
          {option.label}
        </button>
      ))}
    </div>
  );
}

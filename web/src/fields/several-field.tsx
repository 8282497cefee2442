interface Props<T extends string> {
  readonly label: string;
  readonly values: readonly T[];
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (values: readonly T[]) => void;
}

/** Any number of a few things: each is ticked by itself. */
export function SeveralField<T extends string>({ label, values, options, onChange }: Props<T>) {
  return (
    <fieldset className="border-b border-hair py-1">
      <legend className="float-left w-[calc(100%-218px)] py-0.5 pr-2 leading-[1.15] @max-[345px]:w-[calc(100%-149px)]">
        {label}
      </legend>
      <div className="ml-auto w-[218px] @max-[345px]:w-[149px]">
        {options.map((option) => (
          <label
            key={option.value}
            className="flex min-h-[24px] items-center gap-2 max-bench:min-h-11 print:min-h-6!"
          >
            <input
              type="checkbox"
              className="size-4 shrink-0 accent-ink max-bench:size-5"
              checked={values.includes(option.value)}
              onChange={(event) => {
                const { checked } = event.target;
                // In the order of the options, whatever was ticked first.
                onChange(
                  options
                    .map((o) => o.value)
                    .filter((v) => (v === option.value ? checked : values.includes(v))),
                );
              }}
            />
            {option.label}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

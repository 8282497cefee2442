import { ToggleGroup } from 'radix-ui';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly onChange: (value: T) => void;
  readonly options: readonly { readonly value: T; readonly label: string }[];
}

/** A row of choices of which one holds. */
export function Segmented<T extends string>({ label, value, onChange, options }: Props<T>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(next) => {
        const option = options.find((o) => o.value === next);
        if (option !== undefined) onChange(option.value);
      }}
      className="inline-flex border border-rule"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          className="h-7 border-r border-rule px-2.5 text-[12.5px] whitespace-nowrap text-ink2 last:border-r-0 hover:bg-press data-[state=on]:bg-ink data-[state=on]:font-semibold data-[state=on]:text-on-ink max-bench:h-11"
        >
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}

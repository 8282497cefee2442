import { Search } from 'lucide-react';

/** Words that narrow a list down while they are typed. */
export function SearchBox({
  label,
  placeholder = label,
  value,
  onChange,
}: {
  label: string;
  placeholder?: string;
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <label className="flex h-8 min-w-[150px] flex-1 items-center gap-2 border-b border-ink3 bg-field px-2 max-bench:h-11">
      <Search size={15} strokeWidth={1.6} aria-hidden />
      <input
        type="search"
        className="w-full min-w-0 bg-transparent outline-none"
        placeholder={placeholder}
        aria-label={label}
        value={value}
        onChange={(event) => {
          onChange(event.target.value);
        }}
      />
    </label>
  );
}

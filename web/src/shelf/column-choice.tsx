import type { MappedField, Mapping } from '../files/parts-file.ts';

/** Which column of a file is which. */
export function ColumnChoice({
  columns,
  fields,
  mapping,
  onMapping,
}: {
  columns: readonly string[];
  fields: readonly MappedField[];
  mapping: Mapping;
  onMapping: (mapping: Mapping) => void;
}) {
  return columns.map((column) => (
    <label
      key={column}
      className="grid min-h-[34px] grid-cols-2 items-center gap-2 border-b border-hair max-bench:min-h-11"
    >
      <span className="truncate">{column}</span>
      <select
        className="h-7 border-b border-ink3 bg-field max-bench:h-11"
        value={mapping[column] ?? ''}
        onChange={(event) => {
          onMapping({ ...mapping, [column]: event.target.value === '' ? null : event.target.value });
        }}
      >
        <option value="">leave out</option>
        {fields.map((f) => (
          <option key={f.key} value={f.key}>
            {f.label}
          </option>
        ))}
      </select>
    </label>
  ));
}

/** Rows of a file that cannot be used, each with its line. */
export function BadRows({ rows }: { rows: readonly string[] }) {
  if (rows.length === 0) return null;
  return (
    <ul
      className="mt-3 max-h-40 list-disc overflow-y-auto border-[1.5px] border-stop bg-stop-tint py-2 pr-3 pl-7 text-[13px]"
      data-testid="bad-rows"
    >
      {rows.slice(0, 30).map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  );
}

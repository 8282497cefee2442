import {
  columnFilteringFeature,
  createColumnHelper,
  createFilteredRowModel,
  createSortedRowModel,
  filterFn_includesString,
  globalFilteringFeature,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { ChevronDown, ChevronUp, MoreHorizontal } from 'lucide-react';
import { useMemo } from 'react';
import { firstOf, moneyText, partFields, type PartField, type PartType } from '@apple-cart/core';
import type { StoredPart } from '../state/shelf.ts';
import { useQuantity } from '../state/use-quantity.ts';
import { Menu, MenuItem, MenuRule } from '../ui/menu.tsx';
import { choiceWords } from './choice-words.ts';
import { LISTED, SHORT } from './type-names.ts';

const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
  filterFns: { includesString: filterFn_includesString },
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic },
});
const helper = createColumnHelper<typeof features, StoredPart>();

const valueOf = ({ document: part }: StoredPart, key: string): string | number | undefined => {
  const value = (part as Readonly<Record<string, unknown>>)[key];
  if (typeof value === 'number' || typeof value === 'string') return value;
  return Array.isArray(value) && value.length > 0 ? value.join(' ') : undefined;
};

interface Props {
  readonly type: PartType;
  readonly parts: readonly StoredPart[];
  readonly search: string;
  readonly compared: readonly string[];
  readonly onCompare: (id: string) => void;
  readonly onEdit: (stored: StoredPart) => void;
  readonly onCopy: (stored: StoredPart) => void;
  readonly onRemove: (stored: StoredPart) => void;
}

function useListedFields(type: PartType): readonly PartField[] {
  return useMemo(
    () =>
      LISTED[type]
        .map((key) => partFields(type).find((f) => f.key === key))
        .filter((f): f is PartField => f !== undefined),
    [type],
  );
}

/** Name, maker, what the type lists, price: sorted as words or as numbers, what is absent last. */
function useColumns(fields: readonly PartField[]) {
  return useMemo(
    () =>
      helper.columns([
        helper.accessor((s) => s.document.name, { id: 'name', header: 'Name', sortFn: 'alphanumeric' }),
        helper.accessor((s) => s.document.maker, { id: 'maker', header: 'Maker', sortFn: 'alphanumeric' }),
        ...fields.map((f) =>
          helper.accessor((s) => valueOf(s, f.key), {
            id: f.key,
            header: SHORT[f.key] ?? f.label,
            sortFn: f.kind === 'number' ? 'basic' : 'alphanumeric',
            sortUndefined: 'last',
          }),
        ),
        helper.accessor((s) => s.document.price ?? undefined, {
          id: 'price',
          header: 'Price',
          sortFn: 'basic',
          sortUndefined: 'last',
        }),
      ]),
    [fields],
  );
}

function Head({
  sorted,
  right,
  onSort,
  children,
}: {
  readonly sorted: false | 'asc' | 'desc';
  readonly right: boolean;
  readonly onSort: () => void;
  readonly children: string;
}) {
  const order = firstOf(
    [
      [sorted === 'asc', 'ascending'],
      [sorted === 'desc', 'descending'],
    ],
    'none',
  );
  return (
    <th aria-sort={order} className={right ? 'text-right' : 'text-left'}>
      <button
        type="button"
        className={`inline-flex min-h-8 items-center gap-1 px-2 text-[12.5px] font-semibold whitespace-nowrap hover:bg-press max-bench:min-h-11 max-bench:min-w-11 ${right ? 'flex-row-reverse' : ''}`}
        onClick={onSort}
      >
        {children}
        {sorted === 'asc' && <ChevronUp size={13} aria-hidden />}
        {sorted === 'desc' && <ChevronDown size={13} aria-hidden />}
      </button>
    </th>
  );
}

/** One value of a part in the units chosen, or a dash where it is not known. */
function Cell({
  stored,
  id,
  field,
}: {
  readonly stored: StoredPart;
  readonly id: string;
  readonly field: PartField | undefined;
}) {
  const shown = useQuantity();
  if (id === 'price') {
    const { price, currency } = stored.document;
    return price === null ? '–' : moneyText(price, currency);
  }
  const value = valueOf(stored, id);
  if (value === undefined || value === '') return '–';
  if (field?.unit === undefined || typeof value !== 'number') return choiceWords(field, String(value));
  const { text, unit } = shown(value, field.unit);
  return (
    <span className="whitespace-nowrap">
      <span className="num">{text}</span>{' '}
      <span className="text-[12px] text-ink3">{unit === 'teeth' ? 'T' : unit}</span>
    </span>
  );
}

function PartMenu({
  stored,
  onEdit,
  onCopy,
  onRemove,
}: { readonly stored: StoredPart } & Pick<Props, 'onEdit' | 'onCopy' | 'onRemove'>) {
  return (
    <Menu
      align="end"
      trigger={
        <button
          type="button"
          aria-label={`More about ${stored.document.name}`}
          className="grid size-8 place-items-center hover:bg-field max-bench:size-11"
        >
          <MoreHorizontal size={16} strokeWidth={1.6} aria-hidden />
        </button>
      }
    >
      <MenuItem
        onSelect={() => {
          onEdit(stored);
        }}
      >
        Change it
      </MenuItem>
      <MenuItem
        onSelect={() => {
          onCopy(stored);
        }}
      >
        Copy it
      </MenuItem>
      <MenuRule />
      <MenuItem
        onSelect={() => {
          onRemove(stored);
        }}
      >
        Put it away
      </MenuItem>
    </Menu>
  );
}

/** Parts of one type as a table: sorted by its heads, filtered by the search. */
export function ShelfTable({ type, parts, search, compared, onCompare, onEdit, onCopy, onRemove }: Props) {
  const fields = useListedFields(type);
  const columns = useColumns(fields);
  const table = useTable({
    features,
    columns,
    data: parts,
    globalFilterFn: 'includesString',
    getColumnCanGlobalFilter: () => true,
    state: { globalFilter: search },
    getRowId: (s) => s.document.id,
  });
  const right = (id: string): boolean =>
    id === 'price' || fields.some((f) => f.key === id && f.kind === 'number');
  const { rows } = table.getRowModel();
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Parts">
      <table className="w-full border-collapse text-[13.5px]" data-testid="shelf-table">
        <thead>
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id} className="border-b-[1.5px] border-ink">
              <th className="w-9 py-1.5">
                <span className="sr-only">Compare</span>
              </th>
              {group.headers.map(({ id, column }) => (
                <Head
                  key={id}
                  sorted={column.getIsSorted()}
                  right={right(column.id)}
                  onSort={() => {
                    column.toggleSorting();
                  }}
                >
                  {typeof column.columnDef.header === 'string' ? column.columnDef.header : ''}
                </Head>
              ))}
              <th className="w-10">
                <span className="sr-only">Actions</span>
              </th>
            </tr>
          ))}
        </thead>
        <tbody>
          {rows.map(({ id, original }) => (
            <tr key={id} className="border-b border-hair hover:bg-press" data-part={id}>
              <td className="text-center">
                <label className="grid place-items-center max-bench:min-h-11 max-bench:min-w-11">
                  <input
                    type="checkbox"
                    className="size-4 accent-[var(--slate-fill)] max-bench:size-6"
                    aria-label={`Compare ${original.document.name}`}
                    checked={compared.includes(id)}
                    onChange={() => {
                      onCompare(id);
                    }}
                  />
                </label>
              </td>
              {columns.map((column) => {
                const key = column.id ?? '';
                return key === 'name' ? (
                  <th key={key} scope="row" className="px-2 text-left font-normal">
                    <button
                      type="button"
                      className="min-h-8 text-left font-semibold text-slate underline max-bench:min-h-11"
                      onClick={() => {
                        onEdit(original);
                      }}
                    >
                      {original.document.name}
                    </button>
                  </th>
                ) : (
                  <td key={key} className={`px-2 py-1 ${right(key) ? 'text-right' : ''}`}>
                    <Cell stored={original} id={key} field={fields.find((f) => f.key === key)} />
                  </td>
                );
              })}
              <td>
                <PartMenu stored={original} {...{ onEdit, onCopy, onRemove }} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length === 0 && (
        <p className="py-6 text-center text-ink2">
          {search === '' ? 'Nothing of this kind on the shelf yet.' : `Nothing here has “${search}” in it.`}
        </p>
      )}
    </div>
  );
}

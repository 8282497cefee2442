import { cellsOf, partFields, unitText, type Part } from '@apple-cart/core';
import { choiceWords } from './choice-words.ts';
import { Dialog } from '../ui/dialog.tsx';

/** Parts of one type side by side; what differs stands out. */
export function CompareDialog({ parts, onClose }: { parts: readonly Part[]; onClose: () => void }) {
  const type = parts[0]?.type;
  if (type === undefined) return null;
  const columns = parts.map((p) => cellsOf(p));
  const fields = partFields(type).filter(
    ({ key }) => key !== 'id' && columns.some((c) => (c[key] ?? '') !== ''),
  );
  return (
    <Dialog
      open
      onClose={onClose}
      place="side"
      title="Side by side"
      description="Rows that differ are in bold. A dash is not given by the maker."
    >
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Comparison">
        <table className="w-full border-collapse text-[13.5px]" data-testid="comparison">
          <tbody>
            {fields.map((field) => {
              const { key, label, unit } = field;
              const differs = new Set(columns.map((c) => c[key] ?? '')).size > 1;
              return (
                <tr key={key} className={`border-b border-hair ${differs ? 'font-semibold' : 'text-ink2'}`}>
                  <th scope="row" className="py-1.5 pr-3 text-left font-normal text-ink2">
                    {label}
                    {unit !== undefined && (
                      <span className="pl-1 text-[12px] text-ink3">{unitText(unit)}</span>
                    )}
                  </th>
                  {columns.map((cells, i) => (
                    <td key={parts[i]?.id} className={`px-2 py-1.5 ${key === 'name' ? 'head' : ''}`}>
                      {(cells[key] ?? '') === '' ? '–' : choiceWords(field, cells[key] ?? '')}
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </Dialog>
  );
}

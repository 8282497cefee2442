import { useMemo } from 'react';
import { RIDE_END_WORDS, type Route } from '@apple-cart/core';
import { useStudy } from '../../ride/use-study.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

/** Range by the way the pack is charged, worn and cooled, as bars. */
export function CasesTable({ road }: { road: Route }) {
  const { document } = useDeferredStage();
  const shown = useQuantity();
  const input = useMemo(() => ({ build: document, route: road }), [document, road]);
  const { value, busy, failed } = useStudy('cases', input);
  const most = Math.max(1, ...(value ?? []).map((c) => c.km));
  if (failed)
    return (
      <p role="alert" className="border-[1.5px] border-stop bg-stop-tint px-3 py-2">
        These ranges could not be worked out. Change a value to try again.
      </p>
    );
  if (value === undefined)
    return (
      <p role="status" className="py-3 text-ink2">
        Riding it seven ways…
      </p>
    );
  return (
    <table className={`w-full border-collapse text-[14px] ${busy ? 'opacity-60' : ''}`} aria-busy={busy}>
      <tbody>
        {value.map((c) => {
          const [km, per] = [shown(c.km, 'km', 0), shown(c.whPerKm, 'Wh/km')];
          return (
            <tr key={c.id} className="border-b border-hair">
              <th scope="row" className="w-[190px] py-1 pr-2 text-left font-normal max-tablet:w-[132px]">
                {c.label}
              </th>
              <td className="py-1">
                <span
                  className={`block h-3 ${c.id === 'full' ? 'bg-ink2' : 'bg-ink3'}`}
                  style={{ width: `${String((100 * c.km) / most)}%` }}
                />
              </td>
              <td className="num w-[84px] py-1 text-right font-semibold whitespace-nowrap">
                {km.text} <span className="text-[12.5px] font-normal text-ink3">{km.unit}</span>
              </td>
              <td className="num w-[104px] py-1 text-right whitespace-nowrap text-ink2 max-tablet:hidden">
                {per.text} <span className="text-[12.5px] text-ink3">{per.unit}</span>
              </td>
              <td className="w-[120px] py-1 pl-3 text-[12.5px] text-ink2 max-tablet:hidden">
                {RIDE_END_WORDS[c.ends]}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

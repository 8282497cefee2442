import { useMemo } from 'react';
import { formatNumber, phraseText, RIDE_END_WORDS, type RangeCase, type Route } from '@apple-cart/core';
import { Studying } from '../../work/studying.tsx';
import { useStudy } from '../../work/use-study.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

function Case({ one, most }: { one: RangeCase; most: number }) {
  const shown = useQuantity();
  const system = useSettings((state) => state.units);
  const [km, per] = [shown(one.km, 'km', 0), shown(one.whPerKm, 'Wh/km')];
  return (
    <tr className="border-b border-hair">
      <th scope="row" className="w-[190px] py-1 pr-2 text-left font-normal max-tablet:w-[132px]">
        {phraseText(one.label, system)}
      </th>
      <td className="py-1">
        <span
          className={`block h-3 ${one.id === 'full' ? 'bg-ink2' : 'bg-ink3'}`}
          style={{ width: `${String((100 * one.km) / most)}%` }}
        />
      </td>
      <td className="num w-[84px] py-1 text-right font-semibold whitespace-nowrap">
        {km.text} <span className="text-[12.5px] font-normal text-ink3">{km.unit}</span>
      </td>
      <td className="num w-[104px] py-1 text-right whitespace-nowrap text-ink2 max-tablet:hidden">
        {per.text} <span className="text-[12.5px] text-ink3">{per.unit}</span>
      </td>
      <td className="w-[150px] py-1 pl-3 text-[12.5px] text-ink2 max-tablet:hidden">
        {RIDE_END_WORDS[one.ends]}, {formatNumber(100 * one.left, 0)}&nbsp;% left
      </td>
    </tr>
  );
}

/** Range by the way the pack is charged, worn and cooled, as bars. */
export function CasesTable({ road }: { road: Route }) {
  const { document } = useDeferredStage();
  const studied = useStudy(
    'cases',
    useMemo(() => ({ build: document, route: road }), [document, road]),
  );
  return (
    <Studying {...studied} waiting="Riding it each way…">
      {(cases) => (
        <table className="w-full border-collapse text-[14px]">
          <tbody>
            {cases.map((one) => (
              <Case key={one.id} one={one} most={Math.max(1, ...cases.map((c) => c.km))} />
            ))}
          </tbody>
        </table>
      )}
    </Studying>
  );
}

import { hillAsks } from '@apple-cart/core';
import { useMemo } from 'react';
import { useDeferredStage } from '../stages/parts/use-stage.ts';
import { useSettings } from '../state/settings-store.ts';
import { useQuantity } from '../state/use-quantity.ts';
import { PanelHead } from '../ui/panel.tsx';

/** What the hill asks of whatever will drive the machine, before any part is chosen. */
export function HillAsksPanel() {
  const { document } = useDeferredStage();
  const shown = useQuantity();
  const units = useSettings((state) => state.units);
  const asks = useMemo(() => hillAsks(document), [document]);
  const text = (value: number, unit: 'km/h' | 'N' | 'W' | 'kg' | 'km', digits = 0): string => {
    // What is whole in km/h is not in miles.
    const fine = unit === 'km/h' && units === 'imperial' ? 1 : digits;
    const { text: number, unit: name } = shown(value, unit, fine);
    return `${number}\u00a0${name}`;
  };
  const span = ({ low, high }: { low: number; high: number }, digits = 0): string =>
    low === high ? low.toFixed(digits) : `${low.toFixed(digits)}–${high.toFixed(digits)}`;
  const easy = asks.speeds.find((s) => s.kmh === 10);
  return (
    <section aria-label="What the hill asks" className="keep-together" data-testid="hill-asks">
      <PanelHead
        title={
          easy === undefined || easy.motorW <= 0
            ? 'The legs alone do for this hill'
            : `At ${text(10, 'km/h')} the hill asks ${text(easy.motorW, 'W')} of the motor, beside the rider’s ${text(easy.riderW, 'W')}`
        }
        note={`${asks.gradePct.toFixed(1)} %, ${text(asks.lengthM / 1000, 'km', 1)}, ${text(asks.massKg, 'kg')} with motor and pack`}
      />
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="By speed on the hill">
        <table className="w-full border-collapse text-[13.5px]">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-right text-[12.5px]">
              <th className="py-1.5 text-left font-semibold">On the hill at</th>
              <th className="py-1.5 font-semibold">Force</th>
              <th className="py-1.5 font-semibold">At the wheel</th>
              <th className="py-1.5 font-semibold">Of the motor</th>
              <th className="py-1.5 font-semibold">From the pack, W</th>
              <th className="py-1.5 font-semibold">For the hill, Wh</th>
            </tr>
          </thead>
          <tbody>
            {asks.speeds.map((s) => (
              <tr key={s.kmh} className="border-b border-hair text-right">
                <th scope="row" className="py-1 text-left font-normal">
                  {text(s.kmh, 'km/h')}
                </th>
                <td className="num">{text(s.forceN, 'N')}</td>
                <td className="num">{text(s.wheelW, 'W')}</td>
                <td className="num">{text(s.motorW, 'W')}</td>
                <td className="num">{span(s.packW)}</td>
                <td className="num">{span(s.hillWh)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="py-1.5 text-[13px] text-ink2">
        At {text(10, 'km/h')} that is{' '}
        {asks.amps.map((a) => `${span(a, 0)} A at ${String(a.volts)} V`).join(', ')}: higher volts, smaller
        amps, the same watts. A motor pulling hard passes on 68 to 82 % of what it takes (from memory).
      </p>
    </section>
  );
}

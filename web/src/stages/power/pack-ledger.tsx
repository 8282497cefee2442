import { moneyText } from '@apple-cart/core';
import { Num } from '../../ui/num.tsx';
import { Ledger, Quantity } from '../parts/ledger.tsx';
import { useStage } from '../parts/use-stage.ts';

/** The pack in numbers: what was chosen, and what it comes to. */
export function PackLedger() {
  const { document, verdict } = useStage();
  const { pack, controller } = verdict.known;
  const { power } = verdict;
  const price = document.money.pack;
  const sag = power.halfV - power.loadedV;
  return (
    <div className="pt-2">
      <Ledger
        title="The build in hand"
        lines={[
          { label: 'Nominal volts', value: <Quantity value={power.nominalV} unit="V" /> },
          {
            label: 'Full, and cut off at',
            note: `${power.cutoffV.toFixed(1)} V`,
            value: <Quantity value={power.fullV} unit="V" />,
          },
          { label: 'Capacity', value: <Quantity value={pack.capacityAh.value} unit="Ah" /> },
          { label: 'Energy on the label', value: <Quantity value={power.energyWh} unit="Wh" />, sum: true },
          {
            label: 'Resistance',
            note: 'half charged, with leads',
            value: <Quantity value={1000 * power.halfOhm} unit="mohm" />,
          },
          { label: 'Sag at full throttle', note: 'half charged', value: <Quantity value={sag} unit="V" /> },
          {
            label: 'Controller',
            note: 'from the pack',
            value: <Quantity value={controller.batteryCurrentA.value} unit="A" />,
          },
          { label: 'Input power', value: <Quantity value={power.inputW} unit="W" /> },
          { label: 'Pack', value: <Quantity value={pack.massKg.value} unit="kg" /> },
          ...(price === null
            ? []
            : [
                {
                  label: 'Price',
                  note: `${moneyText(price, document.money.currency)} for the pack`,
                  value: (
                    <Num
                      text={((100 * price) / Math.max(1, power.energyWh)).toFixed(0)}
                      unit={document.money.currency === 'GBP' ? 'p/Wh' : 'c/Wh'}
                      places={0}
                    />
                  ),
                },
              ]),
        ]}
      />
    </div>
  );
}

import { currencySign, moneyText, motorCount, priceOfLine, type Verdict } from '@apple-cart/core';
import { Num } from '../../ui/num.tsx';
import { Ledger, Quantity, type LedgerLine } from '../parts/ledger.tsx';
import { usePack } from '../parts/use-pack.ts';
import { useStage } from '../parts/use-stage.ts';

/** What a pack holds: its amp-hours, and under `label` its watt-hours. */
export const chargeLines = (
  { nominalV, capacityAh }: Verdict['known']['packs'][number],
  energyWh: number,
  label: string,
): readonly LedgerLine[] => [
  { label: 'Capacity', from: [capacityAh], value: <Quantity value={capacityAh.value} unit="Ah" /> },
  { label, from: [nominalV, capacityAh], value: <Quantity value={energyWh} unit="Wh" />, sum: true },
];

/** The pack in numbers: what was chosen, and what it comes to. */
export function PackLedger() {
  const { document, verdict } = useStage();
  const { index } = usePack(document);
  const { controller, packs } = verdict.known;
  const pack = packs[index] ?? packs[0];
  const { power } = verdict;
  const own = power.packs[index] ?? { ...power, shares: false };
  const price = priceOfLine(document, index === 0 ? 'pack' : `pack/${String(index + 1)}`);
  const sag = own.halfV - own.loadedV;
  const count = motorCount(document);
  const watts = document.controller.limitsPower ? [controller.powerLimitW] : [];
  return (
    <div className="pt-2">
      <Ledger
        title="The build in hand"
        lines={[
          {
            label: 'Nominal volts',
            from: [pack.nominalV],
            value: <Quantity value={own.nominalV} unit="V" />,
          },
          {
            label: 'Full, and cut off at',
            note: `${power.cutoffV.toFixed(1)} V`,
            from: [pack.cellsInSeries, controller.lowVoltageCutoffV],
            value: <Quantity value={own.fullV} unit="V" />,
          },
          ...chargeLines(pack, own.energyWh, 'Energy on the label'),
          {
            label: 'Resistance',
            note: 'half charged, with leads',
            value: <Quantity value={1000 * own.halfOhm} unit="mohm" />,
          },
          {
            label: 'Sag at full throttle',
            note: own.shares ? 'half charged, all packs feeding' : 'half charged',
            from: [controller.batteryCurrentA, ...watts],
            value: <Quantity value={sag} unit="V" />,
          },
          {
            label: count === 1 ? 'Controller' : 'Both controllers',
            note: 'from the pack',
            from: [controller.batteryCurrentA],
            value: <Quantity value={count * controller.batteryCurrentA.value} unit="A" />,
          },
          {
            label: 'Input power',
            from: [packs[0].nominalV, controller.batteryCurrentA, ...watts],
            value: <Quantity value={power.inputW} unit="W" />,
          },
          { label: 'Pack', from: [pack.massKg], value: <Quantity value={pack.massKg.value} unit="kg" /> },
          ...(price === null
            ? []
            : [
                {
                  label: 'Price',
                  from: [pack.nominalV, pack.capacityAh],
                  note: `${moneyText(price, document.money.currency)} for the pack`,
                  value: (
                    <Num
                      text={((1000 * price) / Math.max(1, own.energyWh)).toFixed(0)}
                      unit={`${currencySign(document.money.currency).trim()}/kWh`}
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

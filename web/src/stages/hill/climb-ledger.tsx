import { formatNumber, gearName, type Verdict } from '@apple-cart/core';
import { Quantity, type LedgerLine } from '../parts/ledger.tsx';

/** The test hill's watts from pack and rider to the tyre, then time, energy and gear. */
export function climbLines({ hill, study }: Verdict): readonly LedgerLine[] {
  const { climb } = hill;
  if (!climb.climbs)
    return [
      {
        label: 'It stalls',
        note: `${study.limitNames[climb.limit]} binds at rest`,
        value: <Quantity value={climb.forceN} unit="N" />,
      },
    ];
  const cogs = new Set(study.machine.gears.map((g) => g.cogTeeth)).size;
  return [
    {
      label: 'From the pack',
      note: `${formatNumber(climb.batteryA, 1)} A`,
      value: <Quantity value={climb.batteryW} unit="W" />,
    },
    {
      label: 'Copper, controller',
      note: `${formatNumber(climb.phaseA, 0)} A phase`,
      value: <Quantity value={-climb.copperW} unit="W" />,
    },
    { label: 'Core, gears, standby', value: <Quantity value={-climb.otherLossW} unit="W" /> },
    { label: 'Rider, at the tyre', value: <Quantity value={climb.riderW} unit="W" /> },
    { label: 'At the tyre', value: <Quantity value={climb.wheelW} unit="W" />, sum: true },
    { label: 'Time on the hill', value: <Quantity value={climb.seconds / 60} unit="min" /> },
    { label: 'Energy for the hill', value: <Quantity value={climb.energyWh} unit="Wh" digits={1} /> },
    {
      label: climb.hubGear === null ? 'Cog, cadence' : 'Gear, cadence',
      value: (
        <span className="num whitespace-nowrap">
          {gearName(climb, cogs)}, {formatNumber(climb.cadenceRpm, 0)}{' '}
          <span className="inline-block w-[2.4em] pl-1 text-left font-text text-[12.5px] text-ink3">rpm</span>
        </span>
      ),
    },
  ];
}

import { formatNumber, type Verdict } from '@apple-cart/core';
import { useQuantity } from '../../state/use-quantity.ts';
import { Ledger } from '../parts/ledger.tsx';

/** What the motor itself does. */
export function MotorLedger({ verdict }: { verdict: Verdict }) {
  const { motor } = verdict;
  const shown = useQuantity();
  const plain = (text: string, unit: string) => (
    <span className="inline-flex items-baseline whitespace-nowrap">
      <span className="num">{text}</span>
      <span className="w-[4.4em] pl-1 text-left text-[12.5px] text-ink3">{unit}</span>
    </span>
  );
  const speed = shown(motor.noLoadKmh, 'km/h');
  return (
    <Ledger
      title="The motor in numbers"
      lines={[
        {
          label: 'Torque constant Kt',
          note: '60 / (2 pi Kv)',
          value: plain(motor.torqueConstant.toFixed(3), 'N m/A'),
        },
        {
          label: 'Torque at its shaft',
          note: 'all the phase current',
          value: plain(motor.shaftNm.toFixed(1), 'N m'),
        },
        {
          label: 'Torque at its output',
          note: 'behind the reduction',
          value: plain(motor.outputNm.toFixed(0), 'N m'),
        },
        { label: 'No-load speed', note: 'full pack, tallest gear', value: plain(speed.text, speed.unit) },
        {
          label: 'Turns at cruising speed',
          value:
            motor.cruiseRpm === undefined ? 'speed not held' : plain(formatNumber(motor.cruiseRpm, 0), 'rpm'),
        },
        {
          label: 'Pack to shaft on the hill',
          value:
            motor.hillEfficiency === undefined
              ? 'not climbed'
              : plain((motor.hillEfficiency * 100).toFixed(0), '%'),
        },
      ]}
    />
  );
}

import { formatNumber, motorCount, type Verdict } from '@apple-cart/core';
import { useDocument } from '../../state/build-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import type { From } from '../../ui/by-default.tsx';
import { Ledger } from '../parts/ledger.tsx';

/** What the motor itself does. */
export function MotorLedger({ verdict }: { verdict: Verdict }) {
  const { motor, known } = verdict;
  const { drive, gearing } = known;
  const { kvRpmPerV, reduction } = drive;
  // What stands between the turns of the motor's output and those of the wheel.
  const geared: From = {
    'geared-hub': [],
    'direct-drive-hub': [],
    'mid-drive': [gearing.ringTeeth],
    external: [drive.motorSprocketTeeth, drive.wheelSprocketTeeth],
  }[useDocument().drive.kind];
  const turning = [kvRpmPerV, known.controller.phaseCurrentA];
  const two = motorCount(useDocument()) === 2;
  const shown = useQuantity();
  const plain = (text: string, unit: string) => (
    <span className="inline-flex items-baseline whitespace-nowrap">
      <span className="num">{text}</span>
      <span className="w-[4.4em] pl-1 text-left text-[12.5px] text-ink3">{unit}</span>
    </span>
  );
  return (
    <Ledger
      title="The motor in numbers"
      lines={[
        {
          label: 'Torque constant Kt',
          note: '60 / (2 pi Kv)',
          from: [kvRpmPerV],
          value: plain(motor.torqueConstant.toFixed(3), 'N m/A'),
        },
        {
          label: two ? 'Torque at the shaft of each' : 'Torque at its shaft',
          note: 'all the phase current',
          from: turning,
          value: plain(motor.shaftNm.toFixed(1), 'N m'),
        },
        {
          label: 'Torque at its output',
          note: 'behind the reduction',
          from: [...turning, reduction],
          value: plain(motor.outputNm.toFixed(motor.outputNm < 10 ? 1 : 0), 'N m'),
        },
        ...motor.noLoadKmh.map((kmh, i) => {
          const speed = shown(kmh, 'km/h');
          return {
            label: motor.noLoadKmh.length === 1 ? 'No-load speed' : `No-load speed, pack ${String(i + 1)}`,
            note: 'as charged, magnets cool',
            from: [kvRpmPerV, reduction, known.donor.rolloutMm, ...geared],
            value: plain(speed.text, speed.unit),
          };
        }),
        {
          label: 'Turns at cruising speed',
          from: motor.cruiseRpm === undefined ? [] : [reduction, known.donor.rolloutMm, ...geared],
          value:
            motor.cruiseRpm === undefined ? 'speed not held' : plain(formatNumber(motor.cruiseRpm, 0), 'rpm'),
        },
        {
          label: 'Pack to shaft on the hill',
          from: motor.hillEfficiency === undefined ? [] : [kvRpmPerV, drive.resistanceOhm, ...geared],
          value:
            motor.hillEfficiency === undefined
              ? 'not climbed'
              : plain((motor.hillEfficiency * 100).toFixed(0), '%'),
        },
      ]}
    />
  );
}

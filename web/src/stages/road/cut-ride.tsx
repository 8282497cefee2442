import { useState } from 'react';
import {
  convert,
  cutRide,
  formatNumber,
  isCut,
  shownUnit,
  unitText,
  type Recording,
  type RideKept,
  type RiddenPart,
} from '@apple-cart/core';
import { keepRecord } from '../../state/records.ts';
import { usePeople } from '../../state/people.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { WhoField } from '../parts/who-field.tsx';
import type { Road } from './use-road.ts';

/** A place on the way, typed in the units shown. */
function At({
  label,
  value,
  unit,
  onChange,
}: {
  label: string;
  value: string;
  unit: string;
  onChange: (text: string) => void;
}) {
  return (
    <label className="flex min-h-11 items-center gap-3 text-[15px]">
      <span className="flex-1">{label}</span>
      <input
        className="num h-11 w-28 border-b-[1.5px] border-ink3 bg-field px-2 text-right text-[17px]"
        inputMode="decimal"
        value={value}
        onChange={(event) => {
          onChange(event.target.value);
        }}
      />
      <span className="w-8 text-[13px] text-ink2">{unit}</span>
    </label>
  );
}

/** A logger that ran on in the car, or stood before the start: what of the recording is the ride. */
export function CutRide({
  road,
  kept,
  recording,
  wholeM,
  stretch,
  onClose,
}: {
  road: Road;
  kept: RideKept;
  recording: Recording;
  /** The way of the whole recording, m. */
  wholeM: number;
  /** What is offered to be kept. */
  stretch: RiddenPart;
  onClose: () => void;
}) {
  const system = useSettings((state) => state.units);
  const { who, remember } = usePeople();
  const unit = shownUnit('km', system);
  const shown = (metres: number): string => formatNumber(convert(metres / 1000, 'km', unit), 2);
  const [from, setFrom] = useState(shown(stretch.fromM));
  const [to, setTo] = useState(shown(stretch.toM));
  const [trouble, setTrouble] = useState('');
  const { ride } = kept;
  const metres = (text: string): number =>
    text.trim() === '' ? NaN : 1000 * convert(Number(text.replace(',', '.')), unit, 'km');
  const [a, b] = [metres(from), metres(to)];
  const fits = a >= 0 && b > a && a < wholeM;
  const named = who.trim() !== '';
  const keep = (next: RiddenPart | undefined): void => {
    remember(who);
    keepRecord(road.build, 'ride', null, {
      ...cutRide(ride, recording, next),
      who: who.trim(),
      corrects: kept.key,
    }).then(onClose, () => {
      setTrouble('This browser could not keep it: its storage is full or switched off.');
    });
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="What of it is the ride?"
      description={`The recording is ${shown(wholeM)} ${unitText(unit)} long. What lies before and behind stays in it, and counts no more; what you typed stays.`}
    >
      <At label="From" value={from} unit={unitText(unit)} onChange={setFrom} />
      <At label="To" value={to} unit={unitText(unit)} onChange={setTo} />
      {!fits && (
        <p role="alert" className="text-[14px] text-stop">
          From nought or more, to something beyond it, within the recording.
        </p>
      )}
      <WhoField />
      {trouble !== '' && (
        <p role="alert" className="text-stop">
          {trouble}
        </p>
      )}
      <div className="flex flex-wrap gap-2 pt-3">
        <Button
          kind="go"
          disabled={!named || !fits}
          onClick={() => {
            keep({ fromM: a, toM: b });
          }}
        >
          Keep only this
        </Button>
        {isCut(ride) && (
          <Button
            disabled={!named}
            onClick={() => {
              keep(undefined);
            }}
          >
            Take the cut back
          </Button>
        )}
        <Button kind="quiet" onClick={onClose}>
          Leave it
        </Button>
      </div>
    </Dialog>
  );
}

/** A recording that is longer than the road it is said to have gone along. */
export function Beyond({ wholeM, roadM, onCut }: { wholeM: number; roadM: number; onCut: () => void }) {
  const shown = useQuantity();
  const { unit } = shown(1, 'km', 1);
  return (
    <p
      className="flex flex-wrap items-center gap-2 border-b border-hair py-1.5 text-[13.5px]"
      data-testid="beyond"
    >
      <StateMark state="look" size={15} />
      <span className="flex-1">
        The recording is {shown(wholeM / 1000, 'km', 1).text} {unit} long, the road{' '}
        {shown(roadM / 1000, 'km', 1).text}: did it run on, or stand before the start?
      </span>
      <Button kind="quiet" onClick={onCut}>
        Cut it
      </Button>
    </p>
  );
}

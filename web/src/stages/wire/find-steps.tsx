import {
  COLOUR_NAMES,
  WIRE_COLOURS,
  formatNumber,
  type Found,
  type PinReading,
  type PinRole,
  type PinWork,
  type PortDocument,
} from '@apple-cart/core';
import { useState } from 'react';
import type { PinSearch } from '../../state/bench-notes.ts';
import { Button } from '../../ui/button.tsx';
import type { WiringData } from './use-wiring.ts';

/** Roles as a builder says them. */
export const ROLE_NAMES: Readonly<Record<PinRole, string>> = {
  ground: '0 V',
  supply5: '5 V',
  throttle: 'throttle',
  cutoff: 'cut-off',
  torque: 'torque',
  p0: 'pulses',
  p1: 'pulses',
  heat: 'heat',
  lamp12: 'lamp, 12 V',
  pack: 'pack +',
  lock: 'lock',
  sends: 'sends',
  hears: 'hears',
};

/** No plug of a harness like this has more between two pins, V. */
const MOST_V = 200;

/** A number of volts as a meter shows it; undefined where it is none. */
const readVolts = (text: string): number | undefined => {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Math.abs(value) <= MOST_V ? value : undefined;
};

/** The next reading: what to touch, what to do, and a field for what the meter shows. */
export function Next({
  found,
  search,
  action,
  onReading,
}: {
  found: Extract<Found, { left: number }>;
  search: PinSearch;
  action: string;
  onReading: (reading: PinReading) => void;
}) {
  const [low, setLow] = useState('');
  const [high, setHigh] = useState('');
  const { next } = found;
  if (next === undefined) return null;
  const [a, b] = [readVolts(low), readVolts(next.state === 'rest' ? low : high)];
  const [red, black] = [search.names[next.red] ?? '', search.names[next.black] ?? ''];
  const isWrong = (text: string): boolean => text.trim() !== '' && readVolts(text) === undefined;
  const field = (value: string, set: (text: string) => void, label: string) => (
    <input
      aria-label={label}
      inputMode="decimal"
      autoComplete="off"
      placeholder="?"
      className="num h-8 w-24 border-b border-ink3 bg-field px-2 text-right text-[15px] max-bench:h-11"
      value={value}
      aria-invalid={isWrong(value)}
      onChange={(event) => {
        set(event.target.value);
      }}
    />
  );
  return (
    <form
      className="my-2 border-2 border-slate bg-slate-tint px-3 py-2"
      data-testid="next-reading"
      onSubmit={(event) => {
        event.preventDefault();
        if (a === undefined || b === undefined) return;
        onReading({
          red: next.red,
          black: next.black,
          state: next.state,
          low: Math.min(a, b),
          high: Math.max(a, b),
        });
        setLow('');
        setHigh('');
      }}
    >
      <p className="pb-1.5 leading-snug">
        <b className="font-semibold">
          Red lead on {red}, black lead on {black},
        </b>{' '}
        {next.state === 'rest' ? 'everything at rest' : action}.
        {next.packVolts && (
          <span className="block text-stop">
            Pack volts may stand between them: mask the pins beside first.
          </span>
        )}
      </p>
      <p className="flex flex-wrap items-center gap-2">
        {next.state === 'rest' ? (
          field(low, setLow, 'Volts')
        ) : (
          <>
            lowest {field(low, setLow, 'Lowest volts')} highest {field(high, setHigh, 'Highest volts')}
          </>
        )}
        V
        <Button type="submit" disabled={a === undefined || b === undefined}>
          Enter
        </Button>
      </p>
      {(isWrong(low) || isWrong(high)) && (
        <p role="alert" className="pt-1 text-[12.5px] text-stop">
          Volts as the meter shows them, such as 4.98 or -0.6; at most {MOST_V} either way.
        </p>
      )}
      <p className="pt-1.5 text-[12.5px] text-ink2">
        {next.answers
          .slice(0, 4)
          .map(
            (o) =>
              `${formatNumber(o.volts[0], 1)} to ${formatNumber(o.volts[1], 1)} V: ${red} is ${ROLE_NAMES[o.red]}, ${black} ${ROLE_NAMES[o.black]}`,
          )
          .join('; ')}
        .
      </p>
    </form>
  );
}

/** What a role is on a plug of the harness. */
const WORK_OF: Readonly<Record<PinRole, PinWork>> = {
  ground: 'ground',
  supply5: 'supply5',
  throttle: 'throttle',
  cutoff: 'cutoff',
  torque: 'torque',
  p0: 'pulse',
  p1: 'pulse',
  heat: 'heat',
  lamp12: 'lamp',
  pack: 'switched',
  lock: 'lock',
  sends: 'sends',
  hears: 'hears',
};
const HALLS = ['hall-a', 'hall-b', 'hall-c'] as const;

/** The pins as they were found, for a plug of the harness; three pulses of a motor are its sensors in their order. */
function pinsOf(found: Extract<Found, { left: number }>, search: PinSearch): PortDocument['pins'] {
  const motor = search.type.startsWith('hall');
  let halls = 0;
  return found.pins.map(({ pin, roles: [role = 'ground'] }) => {
    const hall = motor && (role === 'p0' || role === 'p1') ? HALLS[halls++] : undefined;
    const colour = WIRE_COLOURS.find((c) => c !== '' && COLOUR_NAMES[c] === search.names[pin]) ?? '';
    return { work: hall ?? WORK_OF[role], colour };
  });
}

/** Puts what was found onto a plug of the harness that waits for it. */
export function Enter({
  data,
  found,
  search,
}: {
  data: WiringData;
  found: Extract<Found, { left: number }>;
  search: PinSearch;
}) {
  const waiting = data.wiring.wires.flatMap(({ cable }) =>
    [
      { port: cable.from, component: cable.fromComponent },
      { port: cable.to, component: cable.toComponent },
    ].filter(
      ({ port }) =>
        port.pins.length === found.pins.length && (!port.seen || port.pins.some((p) => p.work === 'unknown')),
    ),
  );
  return (
    <p className="flex flex-wrap items-center gap-2 py-2 leading-snug">
      Put it on the plug of
      {waiting.slice(0, 6).map(({ port, component }) => (
        <Button
          key={port.key}
          onClick={() => {
            data.change(
              (now) => ({
                ports: { ...now.ports, [port.key]: { ...port.said, pins: pinsOf(found, search) } },
              }),
              'pins found',
            );
          }}
        >
          {data.wiring.components.find((c) => c.id === component)?.name ?? component}: {port.name}
        </Button>
      ))}
      {waiting.length === 0 && 'no plug of this build: none of so many pins waits'}
    </p>
  );
}

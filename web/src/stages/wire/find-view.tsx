import {
  PLUG_TYPES,
  WIRE_COLOURS,
  findPins,
  plugTypeOf,
  type Found,
  type PinReading,
  type PinRole,
  type PinWork,
  type PortDocument,
  type Volts,
} from '@apple-cart/core';
import { useMemo, useState } from 'react';
import { ChoiceField, CHOICE_ROW } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NO_NOTES, type PinSearch } from '../../state/bench-notes.ts';
import { Button } from '../../ui/button.tsx';
import { Caution } from '../../ui/caution.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { TextButton } from '../../ui/text-button.tsx';
import { COLOURS } from './colours.tsx';
import { storedPort, type WiringData } from './use-wiring.ts';

/** Roles as a builder says them. */
const ROLE_NAMES: Readonly<Record<PinRole, string>> = {
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

const TYPE_OPTIONS = PLUG_TYPES.map(({ id, name }) => ({ value: id, label: name }));
const WIRES = NO_NOTES.search.names;

/** Volts between which the pack stands: as metered, else from empty to full. */
const packOf = (search: PinSearch, pack: Volts): Volts =>
  search.packV === null ? pack : [search.packV - 0.2, search.packV + 0.2];

const typeOf = (search: PinSearch) => plugTypeOf(search.type) ?? PLUG_TYPES[0];

/** The plug, its wires by how they look, and the readings so far. */
export function FindInputs({
  data,
  search,
  onSearch,
}: {
  data: WiringData;
  search: PinSearch;
  onSearch: (next: PinSearch) => void;
}) {
  const type = typeOf(search);
  const pins = type?.variants[0]?.length ?? 0;
  const used = Object.values(COLOURS)
    .map((c) => c.name)
    .filter((n) => n !== 'not looked at');
  return (
    <>
      <FieldGroup title="The plug">
        <ChoiceField
          label="What it is"
          value={search.type}
          options={TYPE_OPTIONS}
          onChange={(next) => {
            onSearch({ ...search, type: next, readings: [] });
          }}
        />
        <div className={CHOICE_ROW}>
          <span className="py-0.5 pr-2 leading-[1.15]">
            The pack now <span className="text-[12.5px] text-ink3">V</span>
          </span>
          <NumberCell
            label="Volts of the pack now"
            value={search.packV}
            most={200}
            placeholder={`${data.wiring.pack[0].toFixed(0)} to ${data.wiring.pack[1].toFixed(0)}`}
            onChange={(packV) => {
              onSearch({ ...search, packV });
            }}
          />
        </div>
        {Array.from({ length: pins }, (_, i) => (
          <ChoiceField
            key={i}
            label={`Wire ${String(i + 1)}`}
            value={search.names[i] ?? ''}
            options={[...new Set([...used, ...WIRES])].map((value) => ({ value, label: value }))}
            onChange={(name) => {
              onSearch({
                ...search,
                names: Array.from({ length: 9 }, (__, j) => (j === i ? name : (search.names[j] ?? ''))),
              });
            }}
          />
        ))}
      </FieldGroup>
      <FieldGroup title="Readings" note={`${String(search.readings.length)} taken`}>
        <ol data-testid="pin-readings">
          {search.readings.map((r, i) => (
            <li key={i} className="flex items-center gap-2 border-b border-hair py-1 text-[13px]">
              <span className="flex-1 leading-snug">
                {i + 1}. {search.names[r.red]} to {search.names[r.black]},{' '}
                {r.state === 'rest' ? 'at rest' : 'at work'}
              </span>
              <span className="num whitespace-nowrap">
                {r.state === 'rest' ? r.low.toFixed(2) : `${r.low.toFixed(2)} to ${r.high.toFixed(2)}`} V
              </span>
              <TextButton
                aria-label={`Take reading ${String(i + 1)} out`}
                onClick={() => {
                  onSearch({ ...search, readings: search.readings.filter((_, j) => j !== i) });
                }}
              >
                Take out
              </TextButton>
            </li>
          ))}
        </ol>
        {search.readings.length > 0 && (
          <Button
            kind="quiet"
            className="my-2"
            onClick={() => {
              onSearch({ ...search, readings: [] });
            }}
          >
            Begin again
          </Button>
        )}
      </FieldGroup>
      <Caution>
        Volts only, never ohms: a pin may be live. A probe that slips joins two pins: mask what is beside it,
        pack volts burn. Volts are taken with the key on and the wheel off the ground.
      </Caution>
    </>
  );
}

/** A number of volts as a meter shows it; undefined where it is none. */
const readVolts = (text: string): number | undefined => {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Math.abs(value) <= 200 ? value : undefined;
};

/** The next reading: what to touch, what to do, and a field for what the meter shows. */
function Next({
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
  const field = (value: string, set: (text: string) => void, label: string) => (
    <input
      aria-label={label}
      inputMode="decimal"
      autoComplete="off"
      placeholder="?"
      className="num h-8 w-24 border-b border-ink3 bg-field px-2 text-right text-[15px] max-bench:h-11"
      value={value}
      aria-invalid={value !== '' && readVolts(value) === undefined}
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
      <p className="pt-1.5 text-[12.5px] text-ink2">
        {next.answers
          .slice(0, 4)
          .map(
            (o) =>
              `${o.volts[0].toFixed(1)} to ${o.volts[1].toFixed(1)} V: ${red} is ${ROLE_NAMES[o.red]}, ${black} ${ROLE_NAMES[o.black]}`,
          )
          .join('; ')}
        .
      </p>
    </form>
  );
}

function titleOf(found: Found, search: PinSearch): string {
  if (found.kind === 'contradiction') return 'The readings contradict each other';
  if (found.kind === 'found')
    return `Found, with ${String(search.readings.length)} ${search.readings.length === 1 ? 'reading' : 'readings'}`;
  if (found.kind === 'alike') return `${String(found.left)} orders that a meter cannot part`;
  return `${String(found.left)} of ${String(found.of)} orders remain`;
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
    const colour = WIRE_COLOURS.find((c) => c !== '' && COLOURS[c].name === search.names[pin]) ?? '';
    return { work: hall ?? WORK_OF[role], colour };
  });
}

/** Puts what was found onto a plug of the harness that waits for it. */
function Enter({
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
                ports: { ...now.ports, [port.key]: { ...storedPort(port), pins: pinsOf(found, search) } },
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

const Role = ({ may, role }: { may: readonly PinRole[]; role: PinRole }) => {
  if (!may.includes(role)) return '–';
  return may.length === 1 ? <b className="font-semibold text-fine">is</b> : 'may be';
};

/** What each wire is, may be or is not, and the reading that tells most next. */
export function FindPicture({
  data,
  search,
  onSearch,
}: {
  data: WiringData;
  search: PinSearch;
  onSearch: (next: PinSearch) => void;
}) {
  const type = typeOf(search);
  const pack = packOf(search, data.wiring.pack);
  const [packLow, packHigh] = pack;
  const found = useMemo(
    () => (type === undefined ? undefined : findPins(type, search.readings, [packLow, packHigh])),
    [type, search.readings, packLow, packHigh],
  );
  if (type === undefined || found === undefined) return null;
  const roles = [...new Set((type.variants[0] ?? []).map((r): PinRole => (r === 'p1' ? 'p0' : r)))];
  return (
    <section aria-label="Find a pin">
      <PanelHead title={titleOf(found, search)} note={type.name.toLowerCase()} />
      {found.kind === 'contradiction' ? (
        <div className="border-2 border-stop bg-stop-tint px-3 py-2" role="alert" data-testid="contradiction">
          No order of the wires gives these readings.{' '}
          {found.suspects.length === 0
            ? 'Several are off: begin again, or the plug is of another kind.'
            : `Take ${found.suspects.map((i) => String(i + 1)).join(' or ')} again: without it the others agree.`}
        </div>
      ) : (
        <>
          <table className="w-full border-collapse text-[13.5px]" data-testid="pin-roles">
            <thead>
              <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
                <th className="py-1 font-semibold">Wire</th>
                {roles.map((r) => (
                  <th key={r} className="py-1 font-semibold">
                    {ROLE_NAMES[r]}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {found.pins.map(({ pin, roles: may }) => (
                <tr key={pin} className="border-b border-hair">
                  <th scope="row" className="py-1.5 text-left font-normal">
                    {pin + 1} {search.names[pin]}
                  </th>
                  {roles.map((r) => (
                    <td key={r} className={`py-1.5 ${may.includes(r) ? '' : 'text-ink3'}`}>
                      <Role may={may} role={r} />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          <Next
            key={search.readings.length}
            found={found}
            search={search}
            action={type.action}
            onReading={(reading) => {
              onSearch({ ...search, readings: [...search.readings, reading] });
            }}
          />
          {found.alike.length > 0 && (
            <p className="py-2 leading-snug">
              {found.alike
                .map(([a, b]) => `${search.names[a] ?? ''} and ${search.names[b] ?? ''}`)
                .join('; ')}
              : alike to a meter. Try one way; if nothing answers, switch off and change the two.
            </p>
          )}
          {found.kind === 'found' && <Enter data={data} found={found} search={search} />}
        </>
      )}
      <p className="pt-2 text-[12.5px] text-ink2">
        Every order of the wires is kept that agrees with the readings within a meter’s tolerance (1 % and
        0.03 V); the reading that is expected to leave fewest comes next. Volts of each wire are common
        practice; the maker’s list wins.
      </p>
    </section>
  );
}

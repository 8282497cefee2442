import {
  COLOUR_NAMES,
  PLUG_TYPES,
  WIRE_COLOURS,
  findPins,
  formatNumber,
  plugTypeOf,
  type Found,
  type PinRole,
  type Volts,
} from '@apple-cart/core';
import { useMemo } from 'react';
import { ChoiceField, CHOICE_ROW } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NO_NOTES, type PinSearch } from '../../state/bench-notes.ts';
import { Button } from '../../ui/button.tsx';
import { Caution } from '../../ui/caution.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { TextButton } from '../../ui/text-button.tsx';
import type { WiringData } from './use-wiring.ts';
import { Enter, Next, ROLE_NAMES } from './find-steps.tsx';

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
  const used = WIRE_COLOURS.filter((c) => c !== '').map((c) => COLOUR_NAMES[c]);
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
                {r.state === 'rest'
                  ? formatNumber(r.low, 2)
                  : `${formatNumber(r.low, 2)} to ${formatNumber(r.high, 2)}`}{' '}
                V
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

function titleOf(found: Found, search: PinSearch): string {
  if (found.kind === 'contradiction') return 'The readings contradict each other';
  if (found.kind === 'found')
    return `Found, with ${String(search.readings.length)} ${search.readings.length === 1 ? 'reading' : 'readings'}`;
  if (found.kind === 'alike') return `${String(found.left)} orders that a meter cannot part`;
  return `${String(found.left)} of ${String(found.of)} orders remain`;
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

import {
  PIN_WORKS,
  WIRE_COLOURS,
  worksOf,
  type PinWork,
  type Port,
  type Wire,
  type WireColour,
} from '@apple-cart/core';
import { ArrowLeftRight } from 'lucide-react';
import { Link } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { plugWords } from './cable-list.tsx';
import { AdapterTable } from './adapter-table.tsx';
import { colourName, Tick } from './colours.tsx';
import { PinJoin } from './pin-join.tsx';
import { halvesAsUsual, measuredOf, pinsToSay, type WiringData } from './use-wiring.ts';
import { SEX_NAMES, nameOf, usePort } from './use-port.ts';

const SELECT = 'h-7 min-w-0 border-b border-ink3 bg-field text-[13px] max-bench:h-11';

/** Work and colour of one pin. */
function PinCells({
  data,
  port,
  index,
  right,
}: {
  data: WiringData;
  port: Port;
  index: number;
  right: boolean;
}) {
  const set = usePort(data);
  const pin = port.pins[index];
  if (pin === undefined)
    return (
      <td colSpan={2} className="py-1 text-center text-ink3">
        no pin
      </td>
    );
  const works = worksOf(data.wiring.pack);
  const say = (next: Partial<typeof pin>): void => {
    set(port, { pins: pinsToSay(port).map((p, i) => (i === index ? { ...p, ...next } : p)) }, 'pin');
  };
  const said = port.seen ? pin.work : 'unknown';
  const usual = port.usual[index];
  const work = (
    <td key="work" className="py-1 pr-1">
      <select
        aria-label={`Work of pin ${String(index + 1)}, ${port.key}`}
        className={`${SELECT} w-full ${said === 'unknown' ? 'text-slate' : ''}`}
        value={said}
        onChange={(event) => {
          say({ work: event.target.value as PinWork });
        }}
      >
        {PIN_WORKS.map((w) => (
          <option key={w} value={w}>
            {w === 'unknown' && usual !== undefined ? `${works[usual].name}?` : works[w].name}
          </option>
        ))}
      </select>
    </td>
  );
  const colour = (
    <td key="colour" className="py-1 pr-1">
      <span className="flex items-center gap-1.5">
        <Tick colour={pin.colour} />
        <select
          aria-label={`Colour of pin ${String(index + 1)}, ${port.key}`}
          className={`${SELECT} w-full ${pin.colour === '' ? 'text-slate' : ''}`}
          value={pin.colour}
          onChange={(event) => {
            say({ colour: event.target.value as WireColour });
          }}
        >
          {WIRE_COLOURS.map((c) => (
            <option key={c} value={c}>
              {colourName(c)}
            </option>
          ))}
        </select>
      </span>
    </td>
  );
  return right ? [colour, work] : [work, colour];
}

const inside = (
  value: number | null,
  span: readonly [number, number] | undefined,
): 'fine' | 'stop' | 'unknown' => {
  if (value === null || span === undefined) return 'unknown';
  return value >= span[0] - 0.05 && value <= span[1] + 0.05 ? 'fine' : 'stop';
};
const voltsWords = (span: readonly [number, number] | undefined): string =>
  span === undefined ? '–' : `${span[0].toFixed(1)} to ${span[1].toFixed(1)}`;

/** One row: both pins face to face, what is expected, what was measured. */
function PinRow({ data, wire, index }: { data: WiringData; wire: Wire; index: number }) {
  const { from, to } = wire.cable;
  const bad = wire.plug.find((f) => f.state === 'stop' && f.pins.includes(index + 1));
  const works = worksOf(data.wiring.pack);
  const giver = from.live ? from : to;
  const spec = works[giver.pins[index]?.work ?? 'unknown'];
  const key = `${wire.cable.key}/${String(index + 1)}`;
  const reading = data.document.harness.readings[key] ?? { rest: null, work: null };
  const state = inside(reading.rest, spec.rest);
  return (
    <tr className={`border-b border-hair ${bad === undefined ? '' : 'bg-stop-tint'}`} data-pin={index + 1}>
      <PinCells data={data} port={from} index={index} right={false} />
      <PinJoin
        pin={index + 1}
        sexes={[from.sex, to.sex]}
        bad={bad !== undefined}
        seen={from.seen && to.seen}
      />
      <PinCells data={data} port={to} index={index} right />
      <td className="num py-1 pl-2 text-[12.5px] whitespace-nowrap">
        {voltsWords(spec.rest)}
        <span className="block font-text text-[12px] text-ink2 max-bench:max-w-[76px] max-bench:whitespace-normal">
          {spec.at === 'the same' ? '' : spec.at}
          {spec.at !== 'the same' && spec.work !== spec.rest ? `: ${voltsWords(spec.work)}` : ''}
        </span>
      </td>
      <td className="w-16 py-1 pl-1">
        <NumberCell
          label={`Volts at pin ${String(index + 1)}`}
          value={reading.rest}
          most={1000}
          onChange={(rest) => {
            data.change(
              (now) => ({ readings: { ...now.readings, [key]: { ...reading, rest } } }),
              'reading',
              key,
            );
          }}
        />
      </td>
      <td className="w-6 py-1 pl-1">
        <StateMark state={state} size={14} />
      </td>
    </tr>
  );
}

/** Two pins of one half changed places: one step of undo. */
function swap(data: WiringData, port: Port, pins: readonly number[]): void {
  const [a, b] = [(pins[0] ?? 1) - 1, (pins[1] ?? 1) - 1];
  data.change((now) => {
    const list = pinsToSay(port);
    const next = list.map((p, i) => {
      if (i === a) return list[b] ?? p;
      return i === b ? (list[a] ?? p) : p;
    });
    return { ports: { ...now.ports, [port.key]: { ...port.said, pins: next } } };
  }, 'pins swapped');
}

/** Findings that an adapter does away with. */
const CURED = new Set([
  'same-sex',
  'other-family',
  'other-count',
  'supply-on-signal',
  'two-supplies',
  'ground-missing',
  'too-many-volts',
  'crossed',
]);

/** Both halves face to face: work, colour, pin, and what the meter should show. */
export function PinsPicture({ data }: { data: WiringData }) {
  const { wire } = data;
  if (wire === undefined)
    return <p className="py-3 text-ink2">Choose a motor and a pack: the harness is worked out from them.</p>;
  const { cable, plug } = wire;
  const crossed = plug.find((f) => (f.rule === 'crossed' || f.rule === 'polarity') && f.pins.length === 2);
  const rows = Math.max(cable.from.pins.length, cable.to.pins.length);
  // What a lead with both old plugs on it cures: halves that do not mate, and pins in another order.
  const wantsAdapter = plug.some((f) => CURED.has(f.rule));
  return (
    <section aria-label="Pins">
      <PanelHead title={`P${String(cable.number)}, ${cable.carries}: ${plugWords(wire)}`}>
        {crossed !== undefined && (
          <Button
            onClick={() => {
              swap(data, cable.from, crossed.pins);
            }}
          >
            <ArrowLeftRight size={15} strokeWidth={1.6} aria-hidden /> Swap in the plan
          </Button>
        )}
        {(wantsAdapter || cable.spec.adapter === true) && (
          <Button
            kind="quiet"
            aria-pressed={cable.spec.adapter === true}
            onClick={() => {
              const { key } = cable;
              data.change(
                (now) => ({
                  cables: {
                    ...now.cables,
                    [key]: { ...measuredOf(data.document, key), adapter: cable.spec.adapter !== true },
                  },
                }),
                'adapter',
              );
            }}
          >
            {cable.spec.adapter === true ? 'Without the adapter' : 'Make an adapter'}
          </Button>
        )}
        {plug.some((f) => f.rule === 'not-seen') && (
          <Button
            onClick={() => {
              data.change((now) => ({ ports: { ...now.ports, ...halvesAsUsual(cable) } }), 'plug looked at');
            }}
          >
            {cable.from.seen || cable.to.seen ? 'The rest is as usual' : 'It is as usual'}
          </Button>
        )}
      </PanelHead>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Pins face to face">
        <table
          className="w-full min-w-[584px] border-collapse text-[13px] max-tablet:min-w-[720px]"
          data-testid="pins"
        >
          <thead>
            <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
              <th colSpan={2} className="py-1 font-semibold">
                {nameOf(data, cable.fromComponent)},{' '}
                <span className="font-normal">{SEX_NAMES[cable.from.sex]}</span>
              </th>
              <th className="py-1 text-center font-semibold">pin</th>
              <th colSpan={2} className="py-1 font-semibold">
                {nameOf(data, cable.toComponent)},{' '}
                <span className="font-normal">{SEX_NAMES[cable.to.sex]}</span>
              </th>
              <th className="py-1 pl-2 font-semibold">Expected, V</th>
              <th className="py-1 pl-1 font-semibold">Measured</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {Array.from({ length: rows }, (_, i) => (
              <PinRow key={i} data={data} wire={wire} index={i} />
            ))}
          </tbody>
        </table>
      </div>
      {cable.spec.adapter === true && <AdapterTable data={data} wire={wire} />}
      {plug.map((f) => (
        <div
          key={`${f.rule} ${f.pins.join()}`}
          className="flex items-start gap-2.5 border-b border-hair py-1.5"
          data-finding={f.rule}
        >
          <StateMark state={f.state} size={15} />
          <p className="leading-snug">
            <b className="font-semibold">{f.words}</b> <span className="text-ink2">{f.remedy}</span>
          </p>
        </div>
      ))}
      <p className="pt-2 text-[12.5px] text-ink2">
        The work of a pin decides, not its colour: the same colour means different things in different sets.
        What nobody has looked at is the usual, and never counts as matching. Volts are against 0 V.{' '}
        <Link to="../cable-schedule" relative="path" className="text-slate underline max-bench:py-3">
          Print the pins and faces
        </Link>
      </p>
    </section>
  );
}

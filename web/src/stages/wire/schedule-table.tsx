import { devicesText, type Wire } from '@apple-cart/core';
import { StateMark } from '../../ui/state-mark.tsx';
import { Tick } from './colours.tsx';
import type { WiringData } from './use-wiring.ts';

const THEN = {
  extend: 'extend by',
  shorten: 'shorten by',
  fold: 'fold away',
  fits: 'fits',
  unknown: 'not known',
} as const;

/** What there is of a cable against what it has to be, in words. */
export const thenWords = ({ run }: Wire): string =>
  run.extend === undefined || run.then === 'fits'
    ? THEN[run.then]
    : `${THEN[run.then]} ${Math.abs(run.extend).toFixed(0)} mm`;

/** Every cable with its ends, its length and what stands against it. */
export function ScheduleTable({
  data,
  pick,
}: {
  data: Pick<WiringData, 'wiring' | 'wire'>;
  pick?: (key: string) => void;
}) {
  const name = (id: string): string => data.wiring.components.find((c) => c.id === id)?.name ?? id;
  return (
    <table className="w-full min-w-[560px] border-collapse text-[13px]" data-testid="cable-schedule">
      <thead>
        <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
          <th className="py-1 font-semibold">Cable</th>
          <th className="py-1 font-semibold">From, to</th>
          <th className="py-1 font-semibold">Colours</th>
          <th className="py-1 pr-2 text-right font-semibold">Cut, mm</th>
          <th className="py-1 pr-2 text-right font-semibold">mm²</th>
          <th className="py-1 font-semibold">Then</th>
        </tr>
      </thead>
      <tbody>
        {data.wiring.wires.map((w) => (
          <tr
            key={w.cable.key}
            className={`border-b border-hair align-top ${w.cable.key === data.wire?.cable.key && pick !== undefined ? 'bg-press' : ''}`}
          >
            <th scope="row" className="py-1.5 pr-2 text-left font-normal">
              <span className="flex items-center gap-1.5">
                <StateMark state={w.state} size={13} />
                {pick === undefined ? (
                  <b className="num font-semibold">W{w.cable.number}</b>
                ) : (
                  <button
                    type="button"
                    className="num min-h-7 px-1 font-semibold text-slate underline max-bench:min-h-11 max-bench:min-w-11"
                    onClick={() => {
                      pick(w.cable.key);
                    }}
                  >
                    W{w.cable.number}
                  </button>
                )}
              </span>
            </th>
            <td className="py-1.5 pr-2 leading-snug">
              {name(w.cable.fromComponent)} to {name(w.cable.toComponent)}
              <span className="block text-[12px] text-ink2">{w.cable.carries}</span>
              {w.devices.length > 0 && (
                <span className="block text-[12px] text-ink2">in it: {devicesText(w.devices)}</span>
              )}
              {/* On paper nobody can open the cable to read why it is marked. */}
              {pick === undefined &&
                w.way
                  .filter(({ state }) => state === 'stop' || state === 'look')
                  .map((f) => (
                    <span key={f.rule} className="block text-[12px]">
                      <b className="font-semibold">{f.words}</b> {f.remedy}
                    </span>
                  ))}
            </td>
            <td className="py-1.5 pr-2">
              <span className="flex flex-wrap gap-1">
                {w.cable.from.pins.map((p, i) => (
                  <span key={i} className="flex items-center gap-0.5 text-[11px]">
                    <Tick colour={p.colour} />
                    {p.colour === '' ? '?' : p.colour}
                  </span>
                ))}
              </span>
            </td>
            <td className="num py-1.5 pr-2 text-right">
              {w.run.cut.toFixed(0)}
              <span className="block font-text text-[11.5px] text-ink2">
                {w.run.alongFrom === 'measured' ? 'measured' : 'drawing'}
              </span>
            </td>
            <td className="num py-1.5 pr-2 text-right">{w.mm2?.toFixed(2) ?? '?'}</td>
            <td className="py-1.5">{thenWords(w)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Pieces that are cut, packed into stock lengths. */
export function CutList({ wiring }: Pick<WiringData, 'wiring'>) {
  if (wiring.cut.length === 0)
    return (
      <p className="py-1.5 text-[13px] text-ink2">
        Nothing to cut: no cable is too short for its way, as far as the tails of the parts are known.
      </p>
    );
  return (
    <ul>
      {wiring.cut.map((g) => (
        <li key={`${String(g.mm2)} ${g.colour}`} className="border-b border-hair py-1 text-[13px]">
          <b className="font-semibold">
            {g.mm2 === undefined ? 'Size not known' : `${g.mm2.toFixed(2)} mm²`},{' '}
            {g.colour === '' ? 'colour not known' : g.colour}
          </b>
          :{' '}
          {g.stock
            .map(
              (s) =>
                `${(s.mm / 1000).toFixed(0)} m for ${s.pieces.map((p) => `${p.name} ${String(p.mm)}`).join(', ')}`,
            )
            .join('; ')}
        </li>
      ))}
    </ul>
  );
}

import { MOST_ON_THE_WAY, shownUnit, unitText, type WayReading } from '@apple-cart/core';
import type { RideTyped, WayTyped } from '../../state/ride-typed.ts';
import { useSettings } from '../../state/settings-store.ts';
import { TextButton } from '../../ui/text-button.tsx';
import { readingOf } from './ride-fields.ts';
import { NOTHING_ON_THE_WAY, WAY_FIELDS, WAY_IDS, wayReadingOf, wayTroubles } from './way-fields.ts';

const ROW = 'grid grid-cols-[repeat(4,minmax(0,1fr))_44px] items-center gap-x-1.5';
const BOX = 'num h-9 w-full min-w-0 bg-field px-2 text-right text-[16px] max-bench:h-11';

/** What was read at stops on the way: volts at rest, the gauge, the winding. One more line stands ready as the last is begun. */
export function WayForm({ typed, change }: { typed: RideTyped; change: (more: Partial<RideTyped>) => void }) {
  const system = useSettings((state) => state.units);
  const { way, gaugeOf } = typed;
  const { stops, gauge } = wayTroubles(
    typed,
    readingOf('distanceKm', typed.readings.distanceKm, system),
    system,
  );
  const begun = way.filter((stop) => WAY_IDS.some((id) => stop[id].trim() !== '')).length;
  const last = way.at(-1);
  const full = way.length >= MOST_ON_THE_WAY;
  const ready = full || (last !== undefined && WAY_IDS.every((id) => last[id].trim() === ''));
  const lines = ready ? way : [...way, NOTHING_ON_THE_WAY];
  const set = (index: number, id: keyof WayReading, text: string): void => {
    change({ way: lines.map((stop, i): WayTyped => (i === index ? { ...stop, [id]: text } : stop)) });
  };
  return (
    <details className="border-b border-hair" open={begun > 0} data-testid="way-form">
      <summary className="flex min-h-11 cursor-pointer items-center text-[15px]">
        <span className="flex-1">Read at stops on the way</span>
        <span className="text-[13px] text-ink2">{begun === 0 ? 'nothing noted' : begun}</span>
      </summary>
      <p className="pb-1 text-[13px] text-ink2">
        Stand a minute before the volts are read. What a bar of the gauge is worth is told by them.
      </p>
      <div className={`${ROW} border-b border-rule text-[12.5px] text-ink2`} aria-hidden>
        {WAY_IDS.map((id) => {
          const unit = unitText(shownUnit(WAY_FIELDS[id].unit, system));
          return (
            <span key={id} className="text-right">
              {WAY_FIELDS[id].name}
              {unit !== '' && `, ${unit}`}
            </span>
          );
        })}
      </div>
      {lines.map((stop, i) => (
        // Lines have no name of their own but their place.
        <div key={String(i)} className="border-b border-hair py-1" data-testid="stop">
          <div className={ROW}>
            {WAY_IDS.map((id) => {
              const wrong = wayReadingOf(id, stop[id], system) === undefined;
              return (
                <input
                  key={id}
                  aria-label={`Stop ${String(i + 1)}: ${WAY_FIELDS[id].name}`}
                  inputMode="decimal"
                  enterKeyHint="next"
                  autoComplete="off"
                  value={stop[id]}
                  aria-invalid={wrong}
                  data-stop={id}
                  className={`${BOX} ${wrong ? 'border-b-2 border-stop' : 'border-b border-ink3'}`}
                  onChange={(event) => {
                    set(i, id, event.target.value);
                  }}
                />
              );
            })}
            {i < way.length && !(i === way.length - 1 && ready && !full) ? (
              <TextButton
                aria-label={`Take stop ${String(i + 1)} away`}
                onClick={() => {
                  change({ way: way.filter((_, j) => j !== i) });
                }}
              >
                ×
              </TextButton>
            ) : (
              <span />
            )}
          </div>
          {stops[i] !== undefined && (
            <p role="alert" className="pt-0.5 text-[12.5px] text-stop">
              {stops[i]}
            </p>
          )}
        </div>
      ))}
      <label className="flex min-h-11 items-center gap-x-2 text-[15px]">
        <span className="flex-1 leading-tight">
          A full gauge shows <span className="text-[13px] text-ink2">bars, or 100 for per cent</span>
        </span>
        <input
          inputMode="numeric"
          autoComplete="off"
          value={gaugeOf}
          aria-invalid={gauge !== undefined}
          data-testid="gauge-of"
          className={`${BOX} max-w-[84px] ${gauge === undefined ? 'border-b border-ink3' : 'border-b-2 border-stop'}`}
          onChange={(event) => {
            change({ gaugeOf: event.target.value });
          }}
        />
      </label>
      {gauge !== undefined && (
        <p role="alert" className="pb-1 text-[12.5px] text-stop">
          {gauge}
        </p>
      )}
    </details>
  );
}

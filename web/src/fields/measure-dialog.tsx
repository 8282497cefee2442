import { useState } from 'react';
import {
  MEASURE_HELPERS,
  convert,
  formatQuantity,
  measureOf,
  parseQuantity,
  phraseText,
  readingsFor,
  shownUnit,
  specAt,
  toldIn,
  unitText,
  withMeasured,
  type MeasureId,
  type Reading,
  type Readings,
} from '@apple-cart/core';
import { useBuild, useDocument } from '../state/build-store.ts';
import { useSettings } from '../state/settings-store.ts';
import { Button } from '../ui/button.tsx';
import { Caution } from '../ui/caution.tsx';
import { Dialog } from '../ui/dialog.tsx';

interface Props {
  readonly id: MeasureId;
  readonly pack: number;
  readonly onClose: () => void;
}

/** A reading as typed: its value in its own unit; undefined where it cannot be used. */
function readReading(
  typed: string,
  reading: Reading,
  shown: ReturnType<typeof shownUnit>,
): number | undefined {
  const parsed = parseQuantity(typed, reading.unit, shown);
  return parsed.ok && parsed.value >= reading.min && parsed.value <= reading.max ? parsed.value : undefined;
}

/** Readings typed at the bench, the value they give with its plus-minus, and a button that writes it. */
export function MeasureDialog({ id, pack, onClose }: Props) {
  const build = useDocument();
  const helper = MEASURE_HELPERS[id];
  const taken = readingsFor(id, build);
  const edit = useBuild((state) => state.edit);
  const system = useSettings((state) => state.units);
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const shownOf = ({ unit }: Reading) => shownUnit(unit, system);
  const readings: Readings = Object.fromEntries(
    taken.map((reading) => [reading.key, readReading(typed[reading.key] ?? '', reading, shownOf(reading))]),
  );
  const isWrong = ({ key }: Reading): boolean =>
    (typed[key] ?? '').trim() !== '' && readings[key] === undefined;
  const bad = taken.some(isWrong);
  const outcome = bad ? undefined : measureOf(id, readings, build, pack, system);
  const inUnit = (value: number, path: Parameters<typeof specAt>[0], sd: number): string => {
    const { unit } = specAt(path);
    const shown = shownUnit(unit, system);
    const step = Math.abs(convert(sd, unit, shown) - convert(0, unit, shown));
    // As many places as its error is worth.
    const digits = Math.max(0, Math.min(5, 1 - Math.floor(Math.log10(step || 1))));
    const text = formatQuantity(convert(value, unit, shown), shown, digits);
    return `${text} ± ${step.toFixed(digits)}`;
  };
  return (
    <Dialog open onClose={onClose} title={helper.title} description={toldIn(helper.how, system)}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (outcome?.ok !== true) return;
          const read = taken
            .filter(({ key }) => readings[key] !== undefined)
            .map(({ key, unit, digits }) => formatQuantity(readings[key] ?? 0, unit, digits));
          const note = `${helper.title.toLowerCase()}: ${read.join(', ')}`.slice(0, 200);
          edit((d) => withMeasured(d, outcome.values, note), helper.title.toLowerCase());
          onClose();
        }}
      >
        {helper.caution !== undefined && <Caution>{helper.caution}</Caution>}
        {taken.map((reading) => {
          const unit = shownOf(reading);
          const wrong = isWrong(reading);
          const [low, high] = [reading.min, reading.max].map((v) => convert(v, reading.unit, unit));
          return (
            <div key={reading.key}>
              <label className="grid min-h-8 grid-cols-[minmax(0,1fr)_110px_56px] items-center border-b border-hair max-bench:min-h-11">
                <span className="pr-2 leading-tight">
                  {toldIn(reading.label, system)}
                  {reading.optional === true && (
                    <i className="pl-1.5 text-[12px] text-ink3 not-italic">if taken</i>
                  )}
                </span>
                <input
                  className={`num h-7 bg-field pr-1 text-right text-[15px] max-bench:h-11 ${wrong ? 'border-b-2 border-stop' : 'border-b border-ink3'}`}
                  inputMode="decimal"
                  autoComplete="off"
                  value={typed[reading.key] ?? ''}
                  aria-invalid={wrong}
                  onChange={(event) => {
                    setTyped({ ...typed, [reading.key]: event.target.value });
                  }}
                />
                <span className="pl-1 text-[12.5px] text-ink3">{unitText(unit)}</span>
              </label>
              {wrong && (
                <p className="border-b border-hair py-1 text-[12px] text-stop">
                  A number from {formatQuantity(low ?? 0, unit)} to {formatQuantity(high ?? 0, unit)}.
                </p>
              )}
            </div>
          );
        })}
        <div className="min-h-[72px] pt-2" aria-live="polite" data-testid="measured">
          {outcome === undefined && (
            <p className="text-[13px] text-ink2">The value follows from the readings.</p>
          )}
          {outcome?.ok === false && (
            <p className="text-[13.5px] text-stop">{phraseText(outcome.problem, system)}</p>
          )}
          {outcome?.ok === true && (
            <>
              {outcome.values.map(({ path, value, sd }) => (
                <p key={path} className="flex justify-between border-b border-hair py-1">
                  <span>{specAt(path).label}</span>
                  <b className="num">{inUnit(value, path, sd)}</b>
                </p>
              ))}
              <p className="pt-1 text-[12.5px] text-ink2">{phraseText(outcome.words, system)}</p>
            </>
          )}
        </div>
        <div className="flex justify-end gap-2 pt-2">
          <Button type="button" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" disabled={outcome?.ok !== true}>
            Write it as measured
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

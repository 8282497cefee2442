import {
  TRUE_SPEED_FROM,
  convert,
  explainRatio,
  shownUnit,
  type Explanation,
  type SpeedFacts,
} from '@apple-cart/core';
import { ChoiceField, CHOICE_ROW } from '../../fields/choice-field.tsx';
import { FieldGroup, WorkedRow } from '../../fields/field-group.tsx';
import { useSettings } from '../../state/settings-store.ts';
import { Num } from '../../ui/num.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import type { SettingsSheet } from './use-settings-sheet.ts';

const FROM_NAMES: Readonly<Record<(typeof TRUE_SPEED_FROM)[number], string>> = {
  unknown: 'not said',
  satellite: 'satellite',
  wheel: 'wheel counted, on the stand',
  'measured-way': 'a measured way and a clock',
};
/** Noise of both readings together, a share. Common practice, no source. */
const NOISE = { unknown: 0.02, satellite: 0.01, wheel: 0.01, 'measured-way': 0.01 } as const;

export function ratioOf({ document }: SettingsSheet): number | undefined {
  const { shownKmh, trueKmh } = document.settings.speed;
  return shownKmh === null || trueKmh === null ? undefined : trueKmh / shownKmh;
}

/** What the display shows, and what it is. */
export function SpeedInputs({ sheet }: { sheet: SettingsSheet }) {
  const system = useSettings((state) => state.units);
  const unit = shownUnit('km/h', system);
  const { speed } = sheet.document.settings;
  const ratio = ratioOf(sheet);
  const set = (next: Partial<typeof speed>, label: string): void => {
    sheet.change((now) => ({ speed: { ...now.speed, ...next } }), label, `speed ${Object.keys(next).join()}`);
  };
  const field = (key: 'shownKmh' | 'trueKmh', label: string) => (
    <div className={CHOICE_ROW}>
      <span className="py-0.5 pr-2 leading-[1.15]">
        {label} <span className="text-[12.5px] text-ink3">{unit}</span>
      </span>
      <NumberCell
        label={label}
        value={speed[key] === null ? null : Math.round(convert(speed[key], 'km/h', unit) * 100) / 100}
        most={500}
        onChange={(value) => {
          const kmh = value === null ? null : convert(value, unit, 'km/h');
          if (kmh === null || kmh >= 0.1) set({ [key]: kmh }, label.toLowerCase());
        }}
      />
    </div>
  );
  return (
    <FieldGroup title="Speed on the display">
      {field('shownKmh', 'Display shows')}
      {field('trueKmh', 'True')}
      <ChoiceField
        label="True speed is from"
        value={speed.trueFrom}
        unknown={speed.trueFrom === 'unknown'}
        options={TRUE_SPEED_FROM.map((value) => ({ value, label: FROM_NAMES[value] }))}
        onChange={(trueFrom) => {
          set({ trueFrom }, 'where the true speed is from');
        }}
      />
      <WorkedRow label="True over shown" unit="" sum>
        <Num text={ratio === undefined ? '?' : ratio.toFixed(2)} places={2} />
      </WorkedRow>
      <p className="py-1.5 text-[12.5px] leading-snug text-ink2">
        Hold one speed for ten seconds on the level and read both; on the stand count turns of the wheel for
        half a minute.
      </p>
    </FieldGroup>
  );
}

function factsOf({ verdict, document }: SettingsSheet): SpeedFacts {
  const { known } = verdict;
  const { lines } = document.settings;
  return {
    rolloutMm: known.donor.rolloutMm.value,
    polePairs: Math.max(1, Math.round(known.drive.polePairs.value)),
    reduction: known.drive.reduction.value,
    readRolloutMm: lines['roll-out']?.readBack ?? undefined,
    readPulses: lines['poles']?.readBack ?? undefined,
  };
}

/** What the causes are reckoned with and nobody has said: told, so that no usual value decides in silence. */
function notSaid({ verdict }: SettingsSheet): readonly string[] {
  const { donor, drive } = verdict.known;
  return [donor.rolloutMm, drive.polePairs, drive.reduction]
    .filter((k) => k.source === 'unknown')
    .map((k) => k.label.toLowerCase());
}

/** So many explanations are shown, those after the second only where they say something. */
const MOST = 5;
const WORTH = 0.005;

function Cause({ one, ratio, rank }: { one: Explanation; ratio: number; rank: number }) {
  const nearness = Math.min(1, Math.abs(Math.log(ratio)) < 1e-3 ? 1 : Math.log(one.factor) / Math.log(ratio));
  const left = Math.abs(one.left - 1) < 0.005 ? 'nothing over' : `× ${one.left.toFixed(2)} over`;
  return (
    <li className="border-b border-hair py-2" data-testid="cause">
      <p className="flex items-baseline gap-2">
        <b className="num w-5 font-semibold">{rank}</b>
        <b className="flex-1 font-semibold">
          {one.causes.length === 0
            ? 'Nothing: the readings differ by chance'
            : one.causes
                .map((c, i) => (i === 0 ? c.name : c.name.charAt(0).toLowerCase() + c.name.slice(1)))
                .join(', and ')}
        </b>
        <span className="num">× {one.factor.toFixed(2)}</span>
      </p>
      <div className="mt-1 ml-7 h-1.5 bg-press">
        <div className="h-full bg-ink" style={{ width: `${String(100 * Math.max(0, nearness))}%` }} />
      </div>
      <p className="mt-1 ml-7 flex justify-between gap-3 text-[13px] text-ink2">
        <span>{one.causes.map((c) => c.cure).join(' ')}</span>
        <span className="whitespace-nowrap">
          {left}, {(100 * one.share).toFixed(0)} %
        </span>
      </p>
    </li>
  );
}

/** What explains the ratio, the likeliest first, with the setting that cures it. */
export function SpeedPicture({ sheet }: { sheet: SettingsSheet }) {
  const system = useSettings((state) => state.units);
  const ratio = ratioOf(sheet);
  if (ratio === undefined)
    return (
      <p className="py-3 text-ink2">
        Type what the display shows and what the speed truly is: what explains the ratio is named, with the
        setting that cures it.
      </p>
    );
  const all = explainRatio(ratio, NOISE[sheet.document.settings.speed.trueFrom], factsOf(sheet))
    .filter((e, i) => i < 2 || e.share > WORTH)
    .slice(0, MOST);
  const unit = shownUnit('km/h', system);
  const end = sheet.verdict.known.controller.assistCutoffKmh;
  // An example where nobody has said where the help ends.
  const limit = end.source === 'unknown' ? 25 : end.value;
  const told = (kmh: number): string => `${convert(kmh, 'km/h', unit).toFixed(0)} ${unit}`;
  const off = Math.abs(ratio - 1) > 0.03;
  return (
    <section aria-label="What explains it">
      <PanelHead
        title={`What explains ${ratio.toFixed(2)}`}
        note="most likely first; settings read back strike causes out"
      />
      <ol>
        {all.map((one, i) => (
          <Cause key={one.causes.map((c) => c.id).join()} one={one} ratio={ratio} rank={i + 1} />
        ))}
      </ol>
      {notSaid(sheet).length > 0 && (
        <p className="border-b border-hair py-1.5 text-[13.5px] text-slate" data-testid="speed-unknown">
          Not known, the usual is taken: {notSaid(sheet).join(', ')}. Causes that hang on it are guesses until
          it is read.
        </p>
      )}
      {off && (
        <p className="border-2 border-stop bg-stop-tint px-3 py-2 leading-snug" data-testid="speed-danger">
          Until it is cured a speed limit set in the display acts at {ratio.toFixed(2)} times its figure:{' '}
          {told(limit)} there is {told(limit * ratio)} on the road.{ratio > 1 ? ' Do not ride on it.' : ''}
        </p>
      )}
      <p className="pt-2 text-[12.5px] text-ink2">
        Shares are of all explanations of the list; one ratio alone does not tell two causes apart. Common
        practice, no source; wheel sizes from memory.
      </p>
    </section>
  );
}

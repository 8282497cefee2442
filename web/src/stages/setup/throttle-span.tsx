import { passedReading, phraseText } from '@apple-cart/core';
import { useMemo } from 'react';
import { CHOICE_ROW } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { Button } from '../../ui/button.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { useBench } from '../parts/use-bench.ts';
import type { SettingsSheet } from './use-settings-sheet.ts';

const ENDS = [
  ['restV', 'Let go', 'sensors/throttle-rest'],
  ['fullV', 'Fully open', 'sensors/throttle-full'],
] as const;

/** What the throttle gives at its two ends, as it was read: typed, or taken over from the bench. */
export function ThrottleSpan({ sheet }: { sheet: SettingsSheet }) {
  const { view } = useBench();
  const { throttle } = sheet.document.settings;
  const read = useMemo(
    () =>
      ENDS.flatMap(([end, , step]) => {
        const found = passedReading(view, step);
        return found === undefined ? [] : [{ end, ...found }];
      }),
    [view],
  );
  const { controls } = sheet.document;
  if (controls.throttle === 'none' || controls.throttle === 'walk') return null;
  const news = read.some(({ end, value }) => value !== throttle[end]);
  const simulated = read.some((one) => one.simulated);
  const planned = sheet.rows.find((r) => r.setting.key === 'throttle-start')?.setting;
  const amiss = throttle.restV !== null && throttle.fullV !== null && planned?.plan === undefined;
  return (
    <FieldGroup
      title="Throttle’s signal"
      note={throttle.simulated ? 'from a simulated meter, V' : 'read at its plug, V'}
    >
      {ENDS.map(([end, label]) => (
        <div key={end} className={CHOICE_ROW}>
          <span className="py-0.5 pr-2 leading-[1.15]">{label}</span>
          <NumberCell
            label={`Throttle’s signal: ${label}, V`}
            value={throttle[end]}
            most={15}
            onChange={(volts) => {
              sheet.change(
                (now) => ({ throttle: { ...now.throttle, [end]: volts } }),
                'throttle’s signal',
                `throttle ${end}`,
              );
            }}
          />
        </div>
      ))}
      {throttle.simulated && (
        <div className="pt-2">
          <Button
            kind="quiet"
            onClick={() => {
              sheet.change(
                (now) => ({ throttle: { ...now.throttle, simulated: false } }),
                'throttle’s signal read by hand',
              );
            }}
          >
            Both were read at its plug
          </Button>
        </div>
      )}
      {amiss && planned !== undefined && (
        <p role="alert" className="pt-1 text-[13px] text-stop">
          {phraseText(planned.because)}
        </p>
      )}
      {news && (
        <div className="pt-2">
          <Button
            kind="quiet"
            onClick={() => {
              sheet.change(
                (now) => ({
                  throttle: {
                    ...now.throttle,
                    ...Object.fromEntries(read.map(({ end, value }) => [end, value])),
                    simulated,
                  },
                }),
                'throttle’s signal from the bench',
              );
            }}
          >
            Take from the bench: {read.map(({ value }) => `${value.toFixed(2)} V`).join(' and ')}
            {simulated && ', simulated'}
          </Button>
        </div>
      )}
    </FieldGroup>
  );
}

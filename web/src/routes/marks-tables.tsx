import {
  SURFACES,
  SURFACE_DATA,
  routeLengthM,
  type RoadSpan,
  type RoadStop,
  type Route,
} from '@apple-cart/core';
import { PlainNumber } from '../fields/plain-number.tsx';
import { Button } from '../ui/button.tsx';
import { TextButton } from '../ui/text-button.tsx';

interface Props {
  readonly route: Route;
  readonly edit: (change: (route: Route) => Route, label: string, key?: string) => void;
}

/** Stretches of another surface, or with a speed limit. */
export function SpansTable({ route, edit }: Props) {
  const length = routeLengthM(route);
  const change = (index: number, next: Partial<RoadSpan>, key = ''): void => {
    edit(
      (r) => ({ ...r, spans: r.spans.map((s, i) => (i === index ? { ...s, ...next } : s)) }),
      'surface',
      key === '' ? '' : `${key}-${String(index)}`,
    );
  };
  return (
    <>
      {route.spans.map((s, i) => (
        <div key={i} className="flex flex-wrap items-center gap-x-3 border-b border-hair py-1">
          <PlainNumber
            label="from"
            value={s.fromM}
            unit="m"
            min={0}
            max={length}
            step={10}
            onChange={(fromM) => {
              change(i, { fromM, toM: Math.max(fromM + 1, s.toM) }, 'from');
            }}
          />
          <PlainNumber
            label="to"
            value={s.toM}
            unit="m"
            min={0}
            max={length}
            step={10}
            onChange={(toM) => {
              change(i, { toM, fromM: Math.min(s.fromM, Math.max(0, toM - 1)) }, 'to');
            }}
          />
          <select
            aria-label={`Surface ${String(i + 1)}`}
            className="h-7 border-b border-ink3 bg-field text-[13px] max-bench:h-11"
            value={s.surface}
            onChange={(event) => {
              const surface = SURFACES.find((one) => one === event.target.value);
              if (surface !== undefined) change(i, { surface });
            }}
          >
            {SURFACES.map((one) => (
              <option key={one} value={one}>
                {SURFACE_DATA[one].name}
              </option>
            ))}
          </select>
          {s.limitKmh === null ? (
            <TextButton
              onClick={() => {
                change(i, { limitKmh: 30 });
              }}
            >
              no limit
            </TextButton>
          ) : (
            <span className="flex items-center">
              <PlainNumber
                label="limit"
                value={s.limitKmh}
                unit="km/h"
                min={3}
                max={150}
                step={1}
                digits={0}
                onChange={(limitKmh) => {
                  change(i, { limitKmh }, 'limit');
                }}
              />
              <TextButton
                onClick={() => {
                  change(i, { limitKmh: null });
                }}
              >
                none
              </TextButton>
            </span>
          )}
          <TextButton
            className="ml-auto"
            aria-label={`Take surface ${String(i + 1)} out`}
            onClick={() => {
              edit((r) => ({ ...r, spans: r.spans.toSpliced(i, 1) }), 'surface taken out');
            }}
          >
            out
          </TextButton>
        </div>
      ))}
      <div className="py-2">
        <Button
          kind="quiet"
          onClick={() => {
            edit(
              (r) => ({
                ...r,
                spans: [
                  ...r.spans,
                  { fromM: 0, toM: Math.round(length / 2), surface: 'gravel', limitKmh: null },
                ],
              }),
              'surface',
            );
          }}
        >
          Another surface or a limit
        </Button>
      </div>
    </>
  );
}

/** Places where the ride stands still. */
export function StopsTable({ route, edit }: Props) {
  const length = routeLengthM(route);
  const change = (index: number, next: Partial<RoadStop>, key: string): void => {
    edit(
      (r) => ({ ...r, stops: r.stops.map((s, i) => (i === index ? { ...s, ...next } : s)) }),
      'stop',
      `${key}-${String(index)}`,
    );
  };
  return (
    <>
      {route.stops.map((s, i) => (
        <div key={i} className="flex flex-wrap items-center gap-x-3 border-b border-hair py-1">
          <PlainNumber
            label="at"
            value={s.atM}
            unit="m"
            min={0}
            max={length}
            step={10}
            onChange={(atM) => {
              change(i, { atM }, 'at');
            }}
          />
          <PlainNumber
            label="for"
            value={s.waitS}
            unit="s"
            min={0}
            max={7200}
            step={5}
            onChange={(waitS) => {
              change(i, { waitS }, 'wait');
            }}
          />
          <TextButton
            className="ml-auto"
            aria-label={`Take stop ${String(i + 1)} out`}
            onClick={() => {
              edit((r) => ({ ...r, stops: r.stops.toSpliced(i, 1) }), 'stop taken out');
            }}
          >
            out
          </TextButton>
        </div>
      ))}
      <div className="py-2">
        <Button
          kind="quiet"
          onClick={() => {
            edit((r) => ({ ...r, stops: [...r.stops, { atM: Math.round(length / 2), waitS: 20 }] }), 'stop');
          }}
        >
          A stop
        </Button>
      </div>
    </>
  );
}

import { formatNumber, type Route, type Stretch } from '@apple-cart/core';
import { PlainNumber } from '../fields/plain-number.tsx';
import { Button } from '../ui/button.tsx';
import { TextButton } from '../ui/text-button.tsx';
import { MOST_DRAGGED } from './profile-editor.tsx';
import { splitStretch, stretchesOf, withStretches } from './edit-profile.ts';

interface Props {
  readonly route: Route;
  readonly edit: (change: (route: Route) => Route, label: string, key?: string) => void;
}

/** The road stretch by stretch: length, grade and direction, typed or nudged. */
export function StretchTable({ route, edit }: Props) {
  const all = stretchesOf(route);
  if (route.recorded !== null || all.length > MOST_DRAGGED)
    return (
      <p className="py-2 text-[13px] leading-snug text-ink2">
        {formatNumber(all.length, 0)} pieces: too many to type. Mark spans and stops beneath, or smooth the
        heights.
      </p>
    );
  const change = (index: number, next: Partial<Stretch>, key: string): void => {
    edit(
      (r) =>
        withStretches(
          r,
          stretchesOf(r).map((s, i) => (i === index ? { ...s, ...next } : s)),
        ),
      'stretch',
      `${key}-${String(index)}`,
    );
  };
  return (
    <>
      <table className="w-full border-collapse text-[13.5px]">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
            <th className="py-1">Stretch</th>
            <th>Length</th>
            <th>Grade</th>
            <th title="0 north, 90 east; for wind by direction">Towards</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {all.map((s, i) => (
            <tr key={i} className="border-b border-hair">
              <th scope="row" className="num py-1 pr-1 text-left font-normal">
                {i + 1}
              </th>
              <td>
                <PlainNumber
                  label=""
                  value={s.lengthM}
                  unit="m"
                  min={5}
                  max={100_000}
                  step={10}
                  onChange={(lengthM) => {
                    change(i, { lengthM }, 'length');
                  }}
                />
              </td>
              <td>
                <PlainNumber
                  label=""
                  value={s.gradePct}
                  unit="%"
                  min={-40}
                  max={40}
                  step={0.5}
                  digits={1}
                  onChange={(gradePct) => {
                    change(i, { gradePct }, 'grade');
                  }}
                />
              </td>
              <td>
                {s.bearingDeg === null ? (
                  <TextButton
                    onClick={() => {
                      change(i, { bearingDeg: 0 }, 'bearing');
                    }}
                  >
                    any
                  </TextButton>
                ) : (
                  <PlainNumber
                    label=""
                    value={s.bearingDeg}
                    unit="degrees"
                    min={0}
                    max={360}
                    step={5}
                    onChange={(bearingDeg) => {
                      change(i, { bearingDeg }, 'bearing');
                    }}
                  />
                )}
              </td>
              <td className="text-right whitespace-nowrap">
                <TextButton
                  aria-label={`Cut stretch ${String(i + 1)} in two`}
                  onClick={() => {
                    edit((r) => splitStretch(r, i), 'stretch cut');
                  }}
                >
                  cut
                </TextButton>
                {all.length > 1 && (
                  <TextButton
                    aria-label={`Take stretch ${String(i + 1)} out`}
                    onClick={() => {
                      edit((r) => withStretches(r, stretchesOf(r).toSpliced(i, 1)), 'stretch taken out');
                    }}
                  >
                    out
                  </TextButton>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="py-2">
        <Button
          kind="quiet"
          onClick={() => {
            edit(
              (r) => withStretches(r, [...stretchesOf(r), { lengthM: 500, gradePct: 0, bearingDeg: null }]),
              'stretch added',
            );
          }}
        >
          A stretch more
        </Button>
      </div>
    </>
  );
}

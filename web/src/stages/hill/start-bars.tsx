import { formatNumber, type Verdict } from '@apple-cart/core';

const DECIDES = { force: 'force at rest', grip: 'tyre grip', 'front-lift': 'front wheel lifts' } as const;

/** Steepest start: three bars against the test hill. */
export function StartBars({ verdict }: { verdict: Verdict }) {
  const { start } = verdict.hill;
  const grade = verdict.known.brief.hillGradePct.value;
  const most = Math.max(30, grade * 1.2);
  const rows = [
    { id: 'force', name: 'Force at rest', value: start.byForcePct, without: 'no limit' },
    { id: 'grip', name: 'Tyre grip', value: start.byGripPct, without: 'the front lifts first' },
    { id: 'front-lift', name: 'Front wheel lifts', value: start.byLiftPct, without: '' },
  ] as const;
  return (
    <section className="keep-together">
      <h2 className="head border-b-[1.5px] border-ink pb-1.5 text-[14px]">Starting on the grade</h2>
      <p className="py-1.5 text-[13px] text-ink2">
        Moves off on up to <b className="text-ink">{formatNumber(start.gradePct, 1)} %</b>;{' '}
        {DECIDES[start.decides]} decides. Upright line: the test hill.
      </p>
      <div className="relative">
        {rows.map((row) => (
          <div key={row.id} className="border-b border-hair py-1.5">
            <div className="flex justify-between text-[13px]">
              <span className={row.id === start.decides ? 'font-semibold' : ''}>{row.name}</span>
              <span className="num">
                {row.value === null ? row.without : `${formatNumber(row.value, 1)} %`}
              </span>
            </div>
            <div className="relative mt-1 h-2.5 bg-hair">
              <span
                className={`absolute inset-y-0 left-0 ${row.value !== null && row.value < grade ? 'bg-stop-fill' : 'bg-ink2'}`}
                style={{
                  width: `${String(row.value === null ? 100 : Math.min(100, (row.value / most) * 100))}%`,
                }}
              />
              <span
                className="absolute -inset-y-1 w-[2px] bg-ink"
                style={{ left: `${String((grade / most) * 100)}%` }}
              />
            </div>
          </div>
        ))}
      </div>
    </section>
  );
}

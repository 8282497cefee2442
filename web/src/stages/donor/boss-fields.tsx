import { Plus, X } from 'lucide-react';
import { PlainNumber } from '../../fields/plain-number.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { Button } from '../../ui/button.tsx';

/** Each boss: which tube, and how far its lower hole is from the bracket. */
export function BossFields() {
  const { donor } = useDocument();
  const edit = useBuild((state) => state.edit);
  const { bosses } = donor;
  if (bosses === null || bosses.length === 0) return null;
  const put = (next: typeof bosses): void => {
    edit((d) => withSection(d, 'donor', { bosses: next }), 'bottle bosses', 'donor.bosses');
  };
  return (
    <>
      {bosses.map((boss, i) => (
        <div key={i} className="flex min-h-[30px] flex-wrap items-center gap-x-3 border-b border-hair py-1">
          <button
            type="button"
            className="min-h-6 text-[13px] text-slate underline max-bench:min-h-11"
            onClick={() => {
              put(
                bosses.map((b, j) =>
                  j === i ? { ...b, tube: b.tube === 'seat-tube' ? 'down-tube' : 'seat-tube' } : b,
                ),
              );
            }}
          >
            {boss.tube === 'seat-tube' ? 'seat tube' : 'down tube'}
          </button>
          <PlainNumber
            label="lower hole at"
            value={boss.alongMm}
            unit="mm"
            min={0}
            max={2000}
            step={5}
            onChange={(alongMm) => {
              put(bosses.map((b, j) => (j === i ? { ...b, alongMm } : b)));
            }}
          />
          <button
            type="button"
            aria-label={`Take boss ${String(i + 1)} out`}
            className="ml-auto grid size-6 place-items-center text-ink2 hover:bg-press max-bench:size-11"
            onClick={() => {
              put(bosses.filter((_, j) => j !== i));
            }}
          >
            <X size={15} strokeWidth={1.6} aria-hidden />
          </button>
        </div>
      ))}
      {bosses.length < 12 && (
        <div className="no-print pt-2">
          <Button
            kind="quiet"
            onClick={() => {
              put([...bosses, { tube: 'down-tube', alongMm: 250 }]);
            }}
          >
            <Plus size={14} strokeWidth={1.6} aria-hidden /> Another boss
          </Button>
        </div>
      )}
    </>
  );
}

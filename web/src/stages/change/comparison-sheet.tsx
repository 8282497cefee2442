import { PrintPage } from '../../paper/print-page.tsx';
import { useDocument } from '../../state/build-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { compareFinding } from './compare-view.tsx';
import { SideHead, SideRows, levelWords, useSideRows, useSideScale } from './side-table.tsx';
import { useSides } from './use-contestants.ts';

/** Builds side by side on paper, for a customer. */
export const ComparisonSheet = () => (
  <PrintPage
    title="Comparison"
    back={{ to: 'change?view=compare', words: 'Back to side by side' }}
    width="sheet"
  >
    {() => <Paper />}
  </PrintPage>
);

function Paper() {
  const { money, name } = useDocument();
  const show = useQuantity();
  const { sides } = useSides();
  const scale = useSideScale(sides);
  const { differ, level } = useSideRows(sides);
  return (
    <div className="sheet-across relative overflow-x-auto" tabIndex={0} role="region" aria-label="Comparison">
      <h1 className="head text-[26px]">Side by side</h1>
      <p className="pb-2">
        {name}. {compareFinding(sides, differ)}.
      </p>
      <table className="w-full table-fixed border-collapse text-[13px] max-tablet:min-w-[700px]">
        <caption className="sr-only">Figures of each, what differs most first</caption>
        <thead>
          <tr className="align-bottom">
            <th scope="col" className="w-[130px] pb-1 text-left text-[12px] font-normal text-ink2">
              best underlined; drawn to one scale
            </th>
            {sides.map((s) => (
              <th key={s.id} scope="col" className="px-1 pb-1 text-left font-normal" data-side={s.id}>
                <SideHead side={s} scale={scale} />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <SideRows rows={differ} currency={money.currency} />
        </tbody>
      </table>
      {level.length > 0 && (
        <p className="pt-2 text-[12.5px]">
          <b>The same in all:</b> {levelWords(level, show, money.currency)}.
        </p>
      )}
      <p className="pt-2 text-[12px] text-ink2">
        Worked out from what is known of each build; values that nobody has measured are assumed and say so in
        the build. The class is a planning aid, not legal advice. Figures of a ready-made bicycle are those of
        its leaflet.
      </p>
    </div>
  );
}

import { useState } from 'react';
import { quantityAt, specAt, type BuildDocument, type Measure } from '@apple-cart/core';
import { PrintPage } from '../../paper/print-page.tsx';
import { useQuantity } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { SOURCE_WORD, SourceMark } from '../../ui/source-mark.tsx';
import { answersToRing } from './donor-choices.tsx';
import { MeasureDrawing } from './measure-drawing.tsx';
import { walkFor } from './measures.ts';
import { STYLE_NAMES } from './donor-styles.ts';

function Row({ build, measure, blank }: { build: BuildDocument; measure: Measure; blank: boolean }) {
  const shown = useQuantity();
  const spec = specAt(measure.path);
  const entered = quantityAt(build, measure.path);
  const unit = shown(1, spec.unit).unit;
  const filled = !blank && entered.source !== 'unknown';
  return (
    <tr className="keep-together border-b border-hair align-middle">
      <td className="w-[72px] py-1 pr-2">
        <MeasureDrawing picture={measure.picture} width={62} />
      </td>
      <th scope="row" className="py-1 pr-3 text-left font-normal">
        <b className="font-semibold">{spec.label}</b>
        <span className="block text-[12.5px] text-ink2">
          {measure.tool}: {measure.how}
        </span>
      </th>
      <td className="py-1 pr-3 text-[12.5px] text-ink2 max-tablet:hidden print:table-cell">{measure.why}</td>
      <td className="w-[112px] py-1">
        <span className="flex items-end gap-1.5">
          <span className="num block h-7 w-[72px] border-b-[1.5px] border-ink text-right text-[15px] leading-7">
            {filled ? shown(entered.value, spec.unit).text : ''}
          </span>
          <span className="text-[12.5px] text-ink3">{unit}</span>
        </span>
      </td>
      <td className="w-[92px] py-1 pl-2 text-[12px] text-ink2 max-tablet:hidden print:table-cell">
        {filled ? (
          <span className="flex items-center gap-1.5">
            <SourceMark source={entered.source} /> {SOURCE_WORD[entered.source]}
          </span>
        ) : (
          <span className="flex flex-col leading-tight">
            <span>[&nbsp;&nbsp;] measured</span>
            <span>[&nbsp;&nbsp;] label</span>
          </span>
        )}
      </td>
    </tr>
  );
}

function Sheet({ build, blank }: { build: BuildDocument; blank: boolean }) {
  const style = STYLE_NAMES.find((s) => s.value === build.donor.style)?.label ?? '';
  return (
    <>
      <header className="border-b-2 border-ink pb-2">
        <h1 className="head text-[28px] font-extrabold">Measure sheet</h1>
        <p className="flex flex-wrap justify-between gap-x-6 text-[14px]">
          <span>
            {build.name}
            {build.job === '' ? '' : `, job ${build.job}`},{' '}
            {build.donor.name === '' ? style : build.donor.name}
          </span>
          <span className="text-ink2">measured by ______________ on ______________</span>
        </p>
      </header>
      <table className="w-full border-collapse text-[14px]">
        {walkFor(build).map((station, i) => (
          <tbody key={station.name}>
            <tr>
              <th
                colSpan={5}
                scope="rowgroup"
                className="head border-b-[1.5px] border-ink pt-4 pb-1 text-left text-[16px]"
              >
                {i + 1} {station.name}
              </th>
            </tr>
            {station.measures.map((measure) => (
              <Row key={measure.path} build={build} measure={measure} blank={blank} />
            ))}
          </tbody>
        ))}
      </table>
      <section className="keep-together pt-4">
        <h2 className="head border-b-[1.5px] border-ink pb-1 text-[16px]">To ring</h2>
        <dl>
          {answersToRing(build).map(([label, words]) => (
            <div key={label} className="flex flex-wrap gap-x-4 border-b border-hair py-1.5">
              <dt className="w-[160px] font-semibold">{label}</dt>
              {words.map((word) => (
                <dd key={word}>{word}</dd>
              ))}
            </div>
          ))}
        </dl>
        <p className="flex flex-wrap justify-between gap-x-6 border-b border-hair py-1.5">
          <b className="font-semibold">Bottle bosses, lower hole from the bracket</b>
          <span>down tube ________ seat tube ________</span>
        </p>
        <p className="pt-3 text-[12.5px] text-ink2">
          Prop the bicycle so that it cannot fall, and look for cracks at dropouts, bracket and head before
          anything is fitted. The maker’s data sheet decides.
        </p>
      </section>
    </>
  );
}

/** Every measurement that this build asks for, in the order of the walk round the bicycle, to print and fill in. */
export function MeasureSheet() {
  const [blank, setBlank] = useState(true);
  return (
    <PrintPage
      title="Measure sheet"
      back={{ to: 'donor', words: 'Back to the donor' }}
      width="sheet"
      buttons={
        <Button
          kind="quiet"
          aria-pressed={blank}
          onClick={() => {
            setBlank(!blank);
          }}
        >
          {blank ? 'With what is known' : 'Blank'}
        </Button>
      }
    >
      {(build) => <Sheet build={build} blank={blank} />}
    </PrintPage>
  );
}

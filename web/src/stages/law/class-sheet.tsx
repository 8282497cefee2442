import {
  classLabel,
  formatNumber,
  placeState,
  saidOf,
  type BuildDocument,
  type Verdict,
} from '@apple-cart/core';
import { PrintPage } from '../../paper/print-page.tsx';
import { useQuantity } from '../../state/use-quantity.ts';
import { verdictOf } from '../../state/verdicts.ts';
import { Stamp } from '../../ui/stamp.tsx';
import { AsSet } from './as-set.tsx';
import { Clauses } from './clause-table.tsx';
import { Duties } from './duties-view.tsx';
import { PLACE_WORD, QUESTION } from './law-words.ts';

/** The label to cut out, for the class that the machine is in and no other. */
function Label({ build, verdict }: { build: BuildDocument; verdict: Verdict }) {
  const label = classLabel(verdict);
  if (label.lines === undefined)
    return (
      <section className="keep-together" aria-label="Label">
        <h2 className="head border-b-[1.5px] border-ink pt-3 pb-1 text-[17px]">Label</h2>
        <p className="py-2">{label.why}</p>
      </section>
    );
  const { lines, category } = label;
  return (
    <section className="keep-together" aria-label="Label">
      <h2 className="head border-b-[1.5px] border-ink pt-3 pb-1 text-[17px]">Label, to cut out</h2>
      <div className="flex flex-wrap items-start gap-x-6 gap-y-3 pt-3">
        <div className="border border-dashed border-ink3 p-1">
          <div
            className="min-w-[64mm] border-2 border-black bg-white px-[4mm] py-[2.5mm] text-center font-[sans-serif] text-[12pt] leading-snug font-bold text-black"
            data-testid="label"
          >
            {lines.map((line, i) => (
              <span key={`${line}${String(i)}`} className="block">
                {line}
              </span>
            ))}
          </div>
        </div>
        <p className="max-w-[46ch] flex-1 text-[13px] leading-snug text-ink2">
          {category.label?.note} ({category.label?.certainty} certainty.) It states what the build says now:
          when a setting changes, the label has to change with it.{' '}
          {build.controls.classLabel === 'yes' ? '' : 'Not on the machine yet.'}
        </p>
      </div>
    </section>
  );
}

/** A blank is to be written in by hand. */
const named = (name: string): string => (name.trim() === '' ? '________' : name);

function Facts({ build, verdict }: { build: BuildDocument; verdict: Verdict }) {
  const shown = useQuantity();
  const facts = verdict.law.ways[0]?.facts;
  if (facts === undefined) return null;
  const speed = (kmh: number | undefined): string =>
    kmh === undefined ? 'not known' : `${shown(kmh, 'km/h', 1).text} ${shown(1, 'km/h').unit}`;
  const rated = facts.ratedPowerW;
  const rows: readonly (readonly [string, string])[] = [
    ['Donor', named(build.donor.name)],
    [
      'Motor',
      `${named(build.drive.name)}, rated ${rated === undefined ? 'not known' : `${formatNumber(rated.high, 0)} W`}`,
    ],
    ['Pack', `${named(build.packs[0].name)}, ${formatNumber(verdict.power.nominalV, 0)} V nominal`],
    ['Help ends', speed(facts.assistEndKmh?.high)],
    [
      'Hand control alone, full charge',
      facts.throttleAloneKmh?.high === 0 ? 'none' : speed(facts.throttleAloneKmh?.high),
    ],
    ['Most power at the wheel', `${formatNumber(facts.peakWheelW?.high ?? 0, 0)} W, simulated`],
    ['Mass ready to ride', `${shown(facts.massKg?.high ?? 0, 'kg', 1).text} ${shown(1, 'kg').unit}`],
  ];
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-4 text-[14px]">
      {rows.map(([name, value]) => (
        <div key={name} className="col-span-2 grid grid-cols-subgrid border-b border-hair py-0.5">
          <dt className="text-ink2">{name}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}

function Sheet({ build }: { build: BuildDocument }) {
  const verdict = verdictOf(build);
  const { here } = verdict.law;
  const said = saidOf(here);
  return (
    <article>
      <header className="flex flex-wrap items-start gap-x-6 gap-y-2 border-b-2 border-ink pb-2">
        <div className="min-w-0 flex-1">
          <h1 className="head text-[28px] leading-tight font-extrabold">Class sheet</h1>
          <p className="text-[15px]">
            {build.name}
            {build.job === '' ? '' : `, job ${build.job}`}. {here.place.name}.
          </p>
          <p className="pt-1 text-[14px] text-ink2">
            {said.what} {said.decides}
            {here.sale !== undefined &&
              ` ${QUESTION.sale} ${PLACE_WORD[here.sale.outcome]}: ${here.sale.className}.`}
            {here.profiles.length > 1 &&
              ` Judged in ${String(here.profiles.length)} ways that its rider can have it; the worst counts.`}
          </p>
        </div>
        <Stamp state={placeState(here.outcome)} word={PLACE_WORD[here.outcome]} under={here.className} />
      </header>
      <div className="pt-2">
        <AsSet set={verdict.law.asSet} />
        <Facts build={build} verdict={verdict} />
      </div>
      <Clauses place={here} machine={verdict.study.machine} />
      <Duties here={here} verdict={verdict} />
      <Label build={build} verdict={verdict} />
      <p className="pt-4 text-[13px]">
        <b>A planning aid, not legal advice.</b> {here.place.provenance} Memory reaches to{' '}
        {here.place.readYear}. The police and the vehicle authority decide, and they judge the finished cycle.
      </p>
      <p className="grid grid-cols-2 gap-8 pt-8 text-[13px] text-ink2">
        <span className="border-t border-ink pt-1">Date</span>
        <span className="border-t border-ink pt-1">Checked by</span>
      </p>
    </article>
  );
}

/** The class of a build in its place, clause by clause, with duties and the label, to print and keep. */
export const ClassSheet = () => (
  <PrintPage title="Class sheet" back={{ to: 'law', words: 'Back to the law' }} width="sheet">
    {(build) => <Sheet build={build} />}
  </PrintPage>
);

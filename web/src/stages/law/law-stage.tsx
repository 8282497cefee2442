import { Printer } from 'lucide-react';
import { Link, useParams, useSearchParams } from 'react-router';
import {
  correctedIn,
  firstOf,
  convert,
  formatNumber,
  isStale,
  lookedAt,
  placeState,
  saidOf,
  shownUnit,
  unitText,
  type PlaceVerdict,
} from '@apple-cart/core';
import { FieldGroup } from '../../fields/field-group.tsx';
import { useSettings } from '../../state/settings-store.ts';
import { today } from '../../state/today.ts';
import { placesOf } from '../../state/verdicts.ts';
import { Caution } from '../../ui/caution.tsx';
import { Stamp } from '../../ui/stamp.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { Stage, StageFindings } from '../parts/stage.tsx';
import { useStage } from '../parts/use-stage.ts';
import { ViewLinks } from '../parts/view-links.tsx';
import { AsSet } from './as-set.tsx';
import { Clauses } from './clause-table.tsx';
import { CurvesView } from './curves-view.tsx';
import { Duties, Traps } from './duties-view.tsx';
import { LawFields } from './law-fields.tsx';
import { CLAUSE_STATE, PLACE_WORD, QUESTION, profileWords } from './law-words.ts';
import { ComplyView } from './comply-view.tsx';
import { PlacesTable } from './places-table.tsx';
import { ProfilesField } from './profiles-field.tsx';
import { LAW_VIEWS, type LawView } from '../../screens/law-views.ts';

function Reasons({ place }: { place: PlaceVerdict }) {
  const list = [...place.failing, ...place.unsettled];
  if (list.length === 0) return null;
  return (
    <FieldGroup
      title="What decides"
      note={`${String(place.failing.length)} broken, ${String(place.unsettled.length)} open`}
    >
      {list.map((clause, i) => (
        <div
          key={`${clause.clause.title}${clause.clause.id}${String(i)}`}
          className="flex items-start gap-2.5 border-b border-hair py-1.5"
        >
          <span className="pt-0.5">
            <StateMark state={CLAUSE_STATE[clause.state]} labelled={false} size={15} />
          </span>
          <span className="leading-snug">
            <b className="font-semibold">{clause.clause.title}</b>
            <span className="block text-[12.5px] text-ink2">
              {clause.profile !== '' && `${profileWords(clause.profile)}, `}
              {clause.why ??
                firstOf(
                  [
                    [clause.state !== 'fail', 'check it'],
                    [clause.margin === undefined, 'not met'],
                  ],
                  'past the limit',
                )}
              ; {clause.clause.source}
            </span>
          </span>
        </div>
      ))}
    </FieldGroup>
  );
}

/** What it is, what decides, and what to do. */
function Said({ here }: { here: PlaceVerdict }) {
  const { what, decides, todo } = saidOf(here);
  return (
    <div className="py-2 leading-snug" data-testid="law-said">
      <p className="head text-[17px] font-semibold">{what}</p>
      <p className="pt-1 text-[14px]">{decides}</p>
      <p className="pt-1 text-[13px] text-ink2">{todo}</p>
    </div>
  );
}

/** Rules corrected here, and rules that nobody has looked at for long. */
function HowFresh({ here }: { here: PlaceVerdict }) {
  const count = correctedIn(here).length;
  const stale = isStale(here.place, today());
  if (count === 0 && !stale) return null;
  return (
    <p className="flex items-start gap-2 py-1.5 text-[13px] leading-snug" data-testid="law-fresh">
      <StateMark state={stale ? 'unknown' : 'look'} size={14} labelled={false} />
      <span>
        {count > 0 &&
          `Rests on ${count === 1 ? 'a rule' : `${String(count)} rules`} corrected in this workshop. `}
        {stale &&
          `Nobody has looked at these rules since ${lookedAt(here.place)}: take every answer as old, and look at the text.`}
      </span>
    </p>
  );
}

/** The other question beside riding: whether it may be sold as what it is. */
function Sale({ here }: { here: PlaceVerdict }) {
  const { sale } = here;
  if (sale === undefined) return null;
  const why = [...sale.failing, ...sale.unsettled].map((c) => c.clause.title.toLowerCase());
  return (
    <div
      className="mb-2 flex items-start gap-2.5 border-y border-hair py-2 leading-snug"
      data-testid="law-sale"
    >
      <span className="pt-0.5">
        <StateMark state={placeState(sale.outcome)} size={15} labelled={false} />
      </span>
      <span>
        <b className="font-semibold">
          {QUESTION.sale} {PLACE_WORD[sale.outcome]}
        </b>
        <span className="block text-[12.5px] text-ink2">
          {sale.className}
          {why.length > 0 && `: ${why.join(', ')}`}. This is product law: where it may be ridden is the other
          question, answered above.
        </span>
      </span>
    </div>
  );
}

/** What the machine is, where it is not in a class that needs no approval. */
function Instead({ place }: { place: PlaceVerdict }) {
  if (place.outcome !== 'outside' && place.outcome !== 'other-class') return null;
  return (
    <FieldGroup title="What it is instead">
      {place.tests.map(({ test, resulting }) => {
        if (resulting?.category.approval === 'none' || test.about !== place.about) return null;
        return (
          <p key={test.id} className="border-b border-hair py-1.5 leading-snug">
            <b className="font-semibold">{resulting?.category.name ?? test.otherwise.name}.</b>{' '}
            {resulting?.category.approvalNote ?? test.otherwise.note}
          </p>
        );
      })}
    </FieldGroup>
  );
}

function Picture({ view }: { view: LawView }) {
  const { document, verdict, pinned } = useStage();
  const { here } = verdict.law;
  switch (view) {
    case 'clauses':
      return <Clauses place={here} machine={verdict.study.machine} />;
    case 'fit':
      return <ComplyView />;
    case 'places':
      return (
        <PlacesTable
          places={placesOf(verdict)}
          here={here}
          pinned={pinned === undefined ? undefined : placesOf(pinned)}
        />
      );
    case 'curves':
      return <CurvesView />;
    case 'duties':
      return (
        <>
          <Duties here={here} verdict={verdict} />
          <Traps document={document} verdict={verdict} here={here} />
        </>
      );
  }
}

/** The motor alone on the level, which several instruments ask for. */
function MotorAlone() {
  const { verdict } = useStage();
  const system = useSettings((state) => state.units);
  const fact = verdict.law.ways[0]?.facts.motorAloneKmh;
  if (fact === undefined || fact.high === 0) return null;
  const unit = shownUnit('km/h', system);
  const speed = (kmh: number): string => formatNumber(convert(kmh, 'km/h', unit), 1);
  return (
    <p className="pb-2 text-[13px] text-ink2">
      Motor alone on the level with a 170 lb rider:{' '}
      {fact.low === fact.high ? speed(fact.high) : `${speed(fact.low)} to ${speed(fact.high)}`}{' '}
      {unitText(unit)}, {fact.how}.
    </p>
  );
}

/** The legal class: the verdict as a stamp with its reasons, clause by clause; make it fit, all places, curves, duties. */
export function LawStage() {
  const { verdict } = useStage();
  const { id } = useParams();
  const [search] = useSearchParams();
  const { here } = verdict.law;
  const view = LAW_VIEWS.find((v) => v.id === search.get('view'))?.id ?? 'clauses';
  const ways = here.profiles.length;
  return (
    <Stage
      id="law"
      left="narrow"
      pictureFirst={view !== 'clauses'}
      views={<ViewLinks label="Views of the law" views={LAW_VIEWS} view={view} />}
      inputs={
        <>
          <div className="pt-4 pb-2 text-center">
            <Stamp
              large
              faded={isStale(here.place, today())}
              state={placeState(here.outcome)}
              word={PLACE_WORD[here.outcome]}
              under={`${here.className}, ${here.place.name}`}
            />
          </div>
          <Said here={here} />
          <AsSet set={verdict.law.asSet}>
            <Link className="text-slate underline" to="../setup" relative="path">
              To Set up
            </Link>
          </AsSet>
          <Sale here={here} />
          <HowFresh here={here} />
          {ways > 1 && (
            <p className="pb-2 text-[13px] text-ink2">
              Judged in {ways} ways that its rider can have it; the worst counts.
            </p>
          )}
          <p className="no-print pb-2">
            <Link
              to={`/builds/${id ?? ''}/class-sheet`}
              className="inline-flex items-center gap-1.5 text-[13px] text-slate underline max-bench:py-3.5"
            >
              <Printer size={14} strokeWidth={1.6} aria-hidden /> Class sheet and label
            </Link>
          </p>
          <Reasons place={here} />
          <Instead place={here} />
          <LawFields />
          <ProfilesField />
          <StageFindings id="law" />
        </>
      }
      picture={
        <>
          <Picture view={view} />
          {view === 'clauses' && <MotorAlone />}
          <div className="mt-auto pt-2">
            <Caution>
              <b>A planning aid, not legal advice.</b> {here.place.provenance} Memory reaches to{' '}
              {here.place.readYear}. {here.place.intro} {here.place.changing} The police and the vehicle
              authority decide, and they judge the finished cycle, not the kit.
            </Caution>
          </div>
        </>
      }
    />
  );
}

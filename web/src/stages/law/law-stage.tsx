import { convert, formatNumber, placeState, shownUnit, unitText, type PlaceVerdict } from '@apple-cart/core';
import { FieldGroup } from '../../fields/field-group.tsx';
import { useSettings } from '../../state/settings-store.ts';
import { Caution } from '../../ui/caution.tsx';
import { Stamp } from '../../ui/stamp.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { Stage } from '../parts/stage.tsx';
import { useStage } from '../parts/use-stage.ts';
import { CLAUSE_STATE, PLACE_WORD, PLACE_SENTENCE } from './law-words.ts';
import { Clauses } from './clause-table.tsx';
import { Places } from './places-row.tsx';
import { LawFields } from './law-fields.tsx';

function Reasons({ place }: { place: PlaceVerdict }) {
  const list = [...place.failing, ...place.unsettled];
  if (list.length === 0) return null;
  return (
    <FieldGroup
      title="What decides"
      note={`${String(place.failing.length)} broken, ${String(place.unsettled.length)} open`}
    >
      {list.map((clause) => (
        <div
          key={clause.clause.title + clause.clause.id}
          className="flex items-start gap-2.5 border-b border-hair py-1.5"
        >
          <span className="pt-0.5">
            <StateMark state={CLAUSE_STATE[clause.state]} labelled={false} size={15} />
          </span>
          <span className="leading-snug">
            <b className="font-semibold">{clause.clause.title}</b>
            <span className="block text-[12.5px] text-ink2">
              {clause.why ?? (clause.state === 'fail' ? 'past the limit' : 'check it')};{' '}
              {clause.clause.source}
            </span>
          </span>
        </div>
      ))}
    </FieldGroup>
  );
}

/** What the machine is, where it is not in a class that needs no approval. */
function Instead({ place }: { place: PlaceVerdict }) {
  if (place.outcome !== 'outside' && place.outcome !== 'other-class') return null;
  return (
    <FieldGroup title="What it is instead">
      {place.tests.map(({ test, resulting }) => {
        if (resulting !== undefined && !resulting.category.approvalRequired) return null;
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

/** The legal class: stamp, what decides, clause by clause, duties, other places. */
export function LawStage() {
  const { verdict } = useStage();
  const system = useSettings((state) => state.units);
  const { here, places, facts } = verdict.law;
  const duties = here.tests.flatMap((t) => t.resulting?.category.duties ?? []);
  const unit = shownUnit('km/h', system);
  const speed = (kmh: number): string => formatNumber(convert(kmh, 'km/h', unit), 1);
  const { motorAloneKmh } = facts;
  return (
    <Stage
      id="law"
      left="narrow"
      inputs={
        <>
          <div className="pt-4 pb-2 text-center">
            <Stamp
              large
              state={placeState(here.outcome)}
              word={PLACE_WORD[here.outcome]}
              under={`${here.className}, ${here.place.name}`}
            />
          </div>
          <p className="head py-2 text-[17px] leading-snug font-semibold">{PLACE_SENTENCE[here.outcome]}</p>
          <Reasons place={here} />
          <Instead place={here} />
          <LawFields />
          {duties.length > 0 && (
            <FieldGroup title="Duties of this class">
              {duties.map((duty, i) => (
                <p key={`${duty.title}${String(i)}`} className="border-b border-hair py-1.5 leading-snug">
                  <b className="font-semibold">{duty.title}.</b> {duty.text}{' '}
                  <span className="text-[12px] text-ink2">({duty.certainty} certainty)</span>
                </p>
              ))}
            </FieldGroup>
          )}
        </>
      }
      picture={
        <>
          <Clauses place={here} />
          <p className="pb-2 text-[13px] text-ink2">
            Motor alone on the level with a 170 lb rider:{' '}
            {motorAloneKmh.low === motorAloneKmh.high
              ? speed(motorAloneKmh.high)
              : `${speed(motorAloneKmh.low)} to ${speed(motorAloneKmh.high)}`}{' '}
            {unitText(unit)}, {motorAloneKmh.how}.
          </p>
          <Places places={places} here={here} />
          <Caution>
            <b>A planning aid, not legal advice.</b> {here.place.provenance} Memory reaches to{' '}
            {here.place.readYear}. {here.place.changing} The police and the vehicle authority decide, and they
            judge the finished cycle, not the kit.
          </Caution>
        </>
      }
    />
  );
}

import { useMemo } from 'react';
import {
  phraseText,
  traps,
  type AnswerFact,
  type BuildDocument,
  type Duty,
  type PlaceVerdict,
  type Verdict,
} from '@apple-cart/core';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { placesOf } from '../../state/verdicts.ts';
import { useSettings } from '../../state/settings-store.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { CertaintyMark } from './certainty-mark.tsx';

const ASKED: Readonly<Record<Duty['asked'], string>> = {
  yes: 'asked',
  no: 'not asked',
  varies: 'varies',
  unknown: 'not remembered',
};

/** What ticks a duty off: the build where it answers it, else a hand; empty where nothing is asked. */
function Tick({ duty, place, fact }: { duty: Duty; place: string; fact: AnswerFact['answer'] | undefined }) {
  const done = useDocument().brief.dutiesDone;
  const edit = useBuild((state) => state.edit);
  if (duty.asked === 'no') return null;
  if (fact !== undefined && fact !== 'unknown') {
    const met = fact === 'yes';
    return (
      <span title="answered by the build" role="img" aria-label={met ? 'met by the build' : 'not met'}>
        {met ? '☑' : '☒'}
      </span>
    );
  }
  const key = `${place}: ${duty.title}`;
  const ticked = done.includes(key);
  return (
    <>
      <label className="no-print grid place-items-center max-bench:min-h-11 max-bench:min-w-11">
        <input
          type="checkbox"
          className="size-4 accent-[var(--fine-fill)] max-bench:size-5"
          checked={ticked}
          aria-label={`${duty.title}: seen to`}
          onChange={() => {
            edit(
              (d) =>
                withSection(d, 'brief', {
                  dutiesDone: ticked ? done.filter((k) => k !== key) : [...done, key],
                }),
              `${duty.title.toLowerCase()} ${ticked ? 'open again' : 'seen to'}`,
            );
          }}
        />
      </label>
      <span className="hidden print:inline" aria-hidden>
        {ticked ? '☑' : '☐'}
      </span>
    </>
  );
}

/** Duties of the class as a checklist: what the build answers is ticked by it, the rest by hand. */
export function Duties({ here, verdict }: { here: PlaceVerdict; verdict: Verdict }) {
  const facts = verdict.law.ways[0]?.facts;
  const age = verdict.known.brief.riderAgeYears;
  const ofAge = ({ years }: Duty): AnswerFact['answer'] | undefined => {
    if (years === undefined || age.source === 'unknown') return undefined;
    return age.value >= years ? 'yes' : 'no';
  };
  return (
    <section className="keep-together" aria-label="Duties">
      <PanelHead title="Duties of this class" note={`${here.className}, ${here.place.name}`} />
      {here.duties.length === 0 ? (
        <p className="border-t-[1.5px] border-ink py-2 text-ink2">
          None are remembered for what it is here: ask the authority.
        </p>
      ) : (
        <table className="w-full border-collapse text-[14px]">
          <thead className="sr-only">
            <tr>
              <th>Done</th>
              <th>Duty</th>
              <th>Asked</th>
              <th>Certainty</th>
            </tr>
          </thead>
          <tbody className="border-t-[1.5px] border-ink">
            {here.duties.map((duty, i) => {
              const fact = duty.fact === undefined ? ofAge(duty) : facts?.[duty.fact].answer;
              return (
                <tr key={`${duty.title}${String(i)}`} className="border-b border-hair align-top">
                  <td className="w-7 py-1 text-center text-[16px] leading-tight">
                    <Tick duty={duty} place={here.place.id} fact={fact} />
                  </td>
                  <td className={`py-1.5 pr-2 leading-snug ${duty.asked === 'no' ? 'text-ink2' : ''}`}>
                    <b className="font-semibold">{duty.title}.</b> {duty.text}
                  </td>
                  <td className="py-1.5 pr-2 text-[12.5px] whitespace-nowrap text-ink2">
                    {ASKED[duty.asked]}
                  </td>
                  <td className="w-20 py-1.5 text-[12px] text-ink2 max-tablet:hidden">
                    <CertaintyMark certainty={duty.certainty} />
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </section>
  );
}

const ORDER = { stop: 0, unknown: 1, look: 2, fine: 3 } as const;

/** The usual mistakes, each held against this build; those that it makes come first. */
export function Traps({
  document,
  verdict,
  here,
}: {
  document: BuildDocument;
  verdict: Verdict;
  here: PlaceVerdict;
}) {
  const system = useSettings((state) => state.units);
  const list = useMemo(() => {
    const facts = verdict.law.ways[0]?.facts;
    return facts === undefined
      ? []
      : traps(document, facts, here, placesOf(verdict)).toSorted((a, b) => ORDER[a.state] - ORDER[b.state]);
  }, [document, verdict, here]);
  return (
    <section aria-label="Traps">
      <PanelHead title="Where others have been caught" note="held against this build" />
      <ul className="border-t-[1.5px] border-ink">
        {list.map((trap) => (
          <li
            key={trap.code}
            className="flex items-start gap-2.5 border-b border-hair py-2"
            data-trap={trap.code}
          >
            <span className="pt-0.5">
              <StateMark state={trap.state} size={15} />
            </span>
            <p className="leading-snug">
              <b className="font-semibold">{trap.title}.</b>{' '}
              <span className="text-ink2">{phraseText(trap.detail, system)}</span>
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}

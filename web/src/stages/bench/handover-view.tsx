import { Printer } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { planStops } from '@apple-cart/core';
import { FieldGroup } from '../../fields/field-group.tsx';
import { usePeople } from '../../state/people.ts';
import { keepRecord } from '../../state/records.ts';
import { useSettings } from '../../state/settings-store.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { useStage } from '../parts/use-stage.ts';
import { atWords } from './at-words.ts';
import { PlanStops } from './plan-stops.tsx';
import { sheetOf } from './sheet-of.ts';
import { SignedPaper } from './signed-paper.tsx';
import type { Bench } from '../parts/use-bench.ts';
import { WhoField } from '../parts/who-field.tsx';

/** What still stands in the way of a signature, and the signature. */
export function HandoverInputs({ bench }: { bench: Bench }) {
  const { document, verdict } = useStage();
  const system = useSettings((state) => state.units);
  const { who, remember } = usePeople();
  const [role, setRole] = useState('');
  const [words, setWords] = useState('');
  const [told, setTold] = useState('');
  const stops = planStops(verdict.findings);
  // What is stopped at later has not been told.
  const stopsKey = stops.map(({ code }) => code).join();
  const { view, run } = bench;
  if (view === undefined || run === undefined)
    return <p className="py-3 text-ink2">No run has been begun: nothing to sign yet.</p>;
  const late = bench.signs.length > 0;
  return (
    <>
      <FieldGroup title={late ? 'Sign again' : 'Sign'} note={view.ready ? 'all passed or waived' : undefined}>
        {!view.ready && (
          <p className="border-b border-hair py-1.5 leading-snug">
            {view.open} open, {view.failed} failed, {view.repeat} to repeat: it is signed when all is passed
            or waived. What comes after 50 km may follow.
          </p>
        )}
        <div className="grid gap-2 py-2">
          <PlanStops stops={stops} words="It stands on the sheet, for whoever takes the machine over." />
          {stops.length > 0 && (
            <label className="flex min-h-8 items-center gap-2 text-[13.5px] max-bench:min-h-11">
              <input
                type="checkbox"
                className="size-5"
                checked={told === stopsKey}
                onChange={(event) => {
                  setTold(event.target.checked ? stopsKey : '');
                }}
              />
              Whoever takes it over has been told of it
            </label>
          )}
          <WhoField />
          <label className="text-[13.5px]">
            As
            <input
              value={role}
              maxLength={60}
              placeholder="mechanic, owner"
              className="ml-2 h-9 border-b border-ink3 bg-field px-2 max-bench:h-11"
              onChange={(event) => {
                setRole(event.target.value);
              }}
            />
          </label>
          <label className="text-[13.5px]">
            {late ? 'What has been put right since' : 'Words to whoever takes it over'}
            <textarea
              value={words}
              maxLength={1000}
              className="mt-1 block h-20 w-full border border-ink3 bg-field p-2"
              onChange={(event) => {
                setWords(event.target.value);
              }}
            />
          </label>
          <Button
            kind="go"
            className="h-12!"
            disabled={!view.ready || who.trim() === '' || told !== stopsKey}
            onClick={() => {
              remember(who);
              void keepRecord(bench.build, 'bench-sign', run.key, {
                who: who.trim(),
                role: role.trim(),
                words: words.trim(),
                planVersion: bench.planVersion,
                passed: view.done - view.waived,
                waived: view.waived,
                sheet: sheetOf(document, verdict, view, system),
              });
              setWords('');
            }}
          >
            Sign the hand-over
          </Button>
        </div>
      </FieldGroup>
      {bench.signs.length > 0 && (
        <FieldGroup title="Signed" note={String(bench.signs.length)}>
          <ul>
            {bench.signs.map((s) => (
              <li key={s.key} className="border-b border-hair py-1.5 leading-snug">
                <b className="font-semibold">{s.data.who}</b>
                {s.data.role === '' ? '' : `, ${s.data.role}`}, {atWords(s.at, 'medium')}
                <span className="block text-[12.5px] text-ink2">
                  {s.data.passed} passed, {s.data.waived} waived, plan {s.data.planVersion}
                </span>
              </li>
            ))}
          </ul>
        </FieldGroup>
      )}
    </>
  );
}

export function HandoverPicture({ bench }: { bench: Bench }) {
  const { document, verdict } = useStage();
  const system = useSettings((state) => state.units);
  const signed = bench.signs.at(-1);
  if (bench.view === undefined) return null;
  const sheet = signed?.data.sheet ?? sheetOf(document, verdict, bench.view, system);
  return (
    <section aria-label="Hand-over sheet">
      <PanelHead title={signed === undefined ? 'As it would be signed now' : 'As it was signed'}>
        <Link
          to="../hand-over"
          relative="path"
          className="flex h-8 items-center gap-1.5 border-[1.5px] border-rule px-3 text-[13px] text-ink2 hover:bg-press max-bench:h-11"
        >
          <Printer size={14} strokeWidth={1.6} aria-hidden /> Print
        </Link>
      </PanelHead>
      <SignedPaper sheet={sheet} signs={bench.signs} />
    </section>
  );
}

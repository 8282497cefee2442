import { useMemo } from 'react';
import {
  counted,
  RIDE_KIND_NAMES,
  formatNumber,
  withLearnt,
  type FigureId,
  type LearnOutcome,
  type LearntValue,
  type RideOff,
} from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { figureText } from '../../state/figure-text.ts';
import { useSettings } from '../../state/settings-store.ts';
import { dayShort, today } from '../../state/today.ts';
import { useVerdict } from '../../state/use-verdict.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { StandsIn } from '../parts/stands-in.tsx';
import { figureOf } from '../parts/use-stage.ts';
import { OffChart } from './off-chart.tsx';
import { RideMark } from './ride-marks.tsx';

import { TeachNext } from './teach-next.tsx';
import { TEACHES } from './teaches.ts';
import { whyLeftOut, type Learning } from './use-learn.ts';
import type { Road } from './use-road.ts';
import { Row } from './learn-row.tsx';

const SHOWN: readonly FigureId[] = ['range', 'hill', 'heat', 'top-speed'];

/** Which rides teach; each can be left out. */
function Teachers({ road, learning }: { road: Road; learning: Learning }) {
  return (
    <FieldGroup
      title="Rides that teach"
      note={`${String(learning.chosen.size)} of ${String(road.rides.length)}`}
    >
      {road.rides.map((kept) => {
        const why = whyLeftOut(road, kept);
        return (
          <label
            key={kept.first}
            className="grid min-h-[31px] cursor-pointer grid-cols-[24px_24px_minmax(0,1fr)_auto] items-center border-b border-hair text-[14px] max-bench:min-h-11"
          >
            <input
              type="checkbox"
              className="size-[18px] accent-ink max-bench:size-6"
              checked={learning.chosen.has(kept.first)}
              disabled={why === 'no recording'}
              onChange={(event) => {
                learning.choose(kept.first, event.target.checked);
              }}
            />
            <RideMark kind={kept.ride.kind} size={16} />
            <span>
              {RIDE_KIND_NAMES[kept.ride.kind]}, {dayShort(kept.ride.on, today())}
            </span>
            <span className="text-[12.5px] text-ink2">
              {why === '' ? TEACHES[kept.ride.kind].values : why}
            </span>
          </label>
        );
      })}
      {road.rides.length === 0 && (
        <p className="py-2 text-[14px] text-ink2">No rides yet: nothing to learn from.</p>
      )}
    </FieldGroup>
  );
}

/** What the headline figures become with what is taken. */
function IfTaken({ road, taken }: { road: Road; taken: readonly LearntValue[] }) {
  const edit = useBuild((state) => state.edit);
  const pin = useBuild((state) => state.pin);
  const system = useSettings((state) => state.units);
  const after = useMemo(() => withLearnt(road.document, taken, noteOf(road)), [road, taken]);
  const [before, then] = [useVerdict(road.document), useVerdict(after)];
  if (taken.length === 0) return null;
  return (
    <FieldGroup
      title={`If you take the ${taken.length === 1 ? 'one' : String(taken.length)}`}
      note="before, after"
    >
      <dl data-testid="if-taken">
        {SHOWN.map((id) => {
          const [a, b] = [figureText(figureOf(before, id), system), figureText(figureOf(then, id), system)];
          return (
            <div
              key={id}
              className="grid min-h-[31px] grid-cols-[minmax(0,1fr)_auto_20px_auto] items-center border-b border-hair text-[14px]"
            >
              <dt>
                {figureOf(before, id).label}
                <StandsIn figure={id} />
              </dt>
              <dd className="num text-ink2">{a.value}</dd>
              <span className="text-center text-ink3" aria-hidden>
                →
              </span>
              <dd className="num font-semibold">
                {b.value} <span className="text-[12px] font-normal text-ink3">{b.unit}</span>
              </dd>
            </div>
          );
        })}
      </dl>
      <p className="py-1.5 text-[13px] text-ink2">
        Nothing is kept before you say so; the plan as it was stays as a pin, and one undo takes it back.
      </p>
      <Button
        kind="go"
        className="h-11! w-full"
        data-testid="keep-learnt"
        onClick={() => {
          void pin().then(() => {
            edit((d) => withLearnt(d, taken, noteOf(road)), 'what the rides taught');
          });
        }}
      >
        Keep {taken.length === 1 ? 'it' : `the ${String(taken.length)}`} in the build
      </Button>
    </FieldGroup>
  );
}

const noteOf = (road: Road): string =>
  `from the log: ${counted(road.rides.length, 'ride')} up to ${road.rides[0]?.ride.on ?? ''}`;

export function LearnInputs({ road, learning }: { road: Road; learning: Learning }) {
  const { run, outcome, taken } = learning;
  const chosen = outcome?.values.filter((v) => taken.get(v.path) === true) ?? NONE;
  const running = run.state === 'running';
  return (
    <>
      <Teachers road={road} learning={learning} />
      <div className="flex items-center gap-3 py-2">
        {running ? (
          <Button onClick={learning.stop}>Stop</Button>
        ) : (
          <Button
            kind="go"
            disabled={!road.ready || learning.chosen.size === 0}
            data-testid="learn"
            onClick={learning.start}
          >
            Learn from {learning.chosen.size === 1 ? 'it' : `the ${String(learning.chosen.size)}`}
          </Button>
        )}
        <span className="text-[13px] text-ink2" role="status">
          {running &&
            `${run.progress?.words ?? 'beginning'}, ${formatNumber(100 * (run.progress?.done ?? 0), 0)} %`}
          {run.state === 'stopped' && 'Stopped: nothing was learnt.'}
        </span>
      </div>
      {learning.trouble !== '' && (
        <p role="alert" className="text-stop">
          {learning.trouble}
        </p>
      )}
      {run.state === 'failed' && (
        <p role="alert" className="text-stop">
          It could not be worked out: {run.why}.
        </p>
      )}
      <IfTaken road={road} taken={chosen} />
      <TeachNext road={road} />
    </>
  );
}

const NONE: readonly LearntValue[] = [];

/** What the fit says in one sentence: the greatest change that was learnt. */
function headline({ values }: LearnOutcome): string {
  const learnt = values.filter((v) => v.verdict === 'learnt');
  const [most] = [...learnt].sort(
    (a, b) => Math.abs(Math.log(b.after / b.before)) - Math.abs(Math.log(a.after / a.before)),
  );
  if (most === undefined)
    return values.length === 0 ? 'These rides tell nothing yet' : 'The plan’s values hold';
  const share = 100 * (most.after / most.before - 1);
  return `${most.name} is ${formatNumber(Math.abs(share), 0)} % ${share > 0 ? 'more' : 'less'} than ${most.known.source === 'measured' ? 'measured before' : 'assumed'}`;
}

/** What cannot be learnt of a plan whose motor or volts nobody has read. */
const UNTOLD: Readonly<Record<Exclude<LearnOutcome['standsIn'], ''>, string>> = {
  'with a usual motor':
    'No motor is chosen: drag and rolling are told by coasting alone, and nothing of a motor is.',
  'with a usual pack': 'Nobody has read the volts: the motor’s turns for a volt are not told.',
};

function HowGood({ outcome }: { outcome: LearnOutcome }) {
  const { off, heldOut, heat, contradiction, leftOut, standsIn } = outcome;
  const mean = (of: (o: RideOff) => number): number =>
    off.reduce((sum, o) => sum + Math.abs(of(o)), 0) / Math.max(1, off.length);
  const percent = (share: number): string => formatNumber(100 * Math.abs(share), 1);
  return (
    <div className="text-[14px] leading-snug">
      {standsIn !== '' && (
        <p className="flex gap-2 border-b border-hair py-1.5">
          <StateMark state="unknown" size={15} /> {UNTOLD[standsIn]}
        </p>
      )}
      {off.length > 0 && (
        <p className="border-b border-hair py-1.5">
          <b>
            {percent(mean((o) => o.before))} % off before, {percent(mean((o) => o.after))} % after.
          </b>{' '}
          What is left is the wind of the day and how the rider pedals.
        </p>
      )}
      {heldOut !== undefined && (
        <p className="border-b border-hair py-1.5" data-testid="held-out">
          Held out as a check: the {RIDE_KIND_NAMES[heldOut.kind].toLowerCase()} of{' '}
          {dayShort(heldOut.on, today())}, which the fit did not see, was {percent(heldOut.before)} % off by
          the plan and {percent(heldOut.after)} % by the others.
        </p>
      )}
      {heat !== undefined && (
        <p className="border-b border-hair py-1.5">
          The winding: {formatNumber(heat.before, 1)} K off before, {formatNumber(heat.after, 1)} K after.
        </p>
      )}
      {contradiction > 3 && (
        <p className="flex gap-2 border-b border-hair py-1.5" role="status">
          <StateMark state="look" size={15} /> These rides ask for values far from what was expected: does one
          of them belong to another state of the machine?
        </p>
      )}
      {leftOut.length > 0 && (
        <p className="py-1.5 text-[13px] text-ink2">
          {leftOut.length} {leftOut.length === 1 ? 'ride tells' : 'rides tell'} no forces:{' '}
          {[...new Set(leftOut.map((l) => l.why))].join('; ')}.
        </p>
      )}
    </div>
  );
}

export function LearnPicture({ learning }: { learning: Learning }) {
  const { outcome, run } = learning;
  if (outcome === undefined)
    return (
      <section aria-label="What the rides teach">
        <PanelHead
          title={run.state === 'running' ? 'Learning from the rides' : 'What was assumed can be learnt'}
        />
        <p className="max-w-[560px] py-2 text-[15px] leading-snug">
          The plan’s drag, rolling, gears, winding and heat are assumed until somebody measures them. Rides
          with a recording tell them: all are fitted together, each with how well it is known and what it
          cannot be told apart from. Nothing is taken by itself.
        </p>
      </section>
    );
  return (
    <section aria-label="What the rides teach" data-testid="learnt">
      <PanelHead
        title={headline(outcome)}
        note={`from ${counted(learning.chosen.size, 'ride')}, fitted together`}
      />
      {outcome.values.length > 0 && (
        <table className="w-full border-collapse">
          <caption className="sr-only">Values that the rides tell</caption>
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12.5px]">
              <th scope="col" className="text-left">
                Value
              </th>
              <th scope="col" className="text-right">
                Before
              </th>
              <th scope="col" className="pl-3 text-right">
                After
              </th>
              <th scope="col" className="pl-3 text-left max-tablet:hidden">
                Span, before, after
              </th>
              <th scope="col" className="pl-3 text-left max-tablet:hidden">
                Told by; cannot be told apart from
              </th>
              <th scope="col">
                <span className="sr-only">Take or leave</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {outcome.values.map((value) => (
              <Row key={value.path} value={value} learning={learning} />
            ))}
          </tbody>
        </table>
      )}
      <div className="grid grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)] gap-x-6 pt-3 max-tablet:grid-cols-1">
        {outcome.off.length > 0 && <OffChart off={outcome.off} />}
        <section aria-label="How good is it now?">
          <h2 className="head border-b-[1.5px] border-ink pb-1 text-[14px]">How good is it now?</h2>
          <HowGood outcome={outcome} />
        </section>
      </div>
    </section>
  );
}

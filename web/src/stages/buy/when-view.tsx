import {
  counted,
  broughtForward,
  dayWords,
  diaryOf,
  diaryText,
  fileName,
  firstOf,
  tasksOf,
  type State,
  type When,
} from '@apple-cart/core';
import { CalendarPlus, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { capital } from '../../ui/capital.ts';
import { FieldGroup } from '../../fields/field-group.tsx';
import { downloadText } from '../../files/download.ts';
import { useBuild } from '../../state/build-store.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { Gantt, PlanTable } from './gantt.tsx';
import { GanttLegend } from './gantt-legend.tsx';
import { parcelWords } from './parcel-words.ts';
import type { Planning } from './use-when.ts';
import { WhenFields, toldOf, useSchedule } from './when-fields.tsx';

/** How the riding day stands against the one that is wanted. */
export function whenStamp(when: When): {
  readonly state: State;
  readonly word: string;
  readonly under: string;
} {
  if (when.ridden) return { state: 'fine', word: 'Ridden', under: 'the first ride is behind it' };
  if (when.ride === undefined)
    return { state: 'unknown', word: 'No day', under: 'nobody works in this week' };
  const { earliest, latest } = when.ride;
  const word =
    earliest === latest ? dayWords(latest, 'short') : `${dayWords(earliest)} to ${dayWords(latest)}`;
  if (when.open.length > 0)
    return {
      state: 'unknown',
      word: `not before ${dayWords(latest)}`,
      under: `days of ${counted(when.open.length, 'line')} not known`,
    };
  const late = when.spare !== undefined && when.spare < 0;
  return {
    state: firstOf<State>(
      [
        [late, 'stop'],
        [when.spare === undefined, 'look'],
      ],
      'fine',
    ),
    word,
    under: firstOf(
      [
        [late, `${counted(-(when.spare ?? 0), 'day')} late for the day wanted`],
        [when.parcels.some((p) => p.decides && !p.parcel.ordered), 'first ride, if ordered today'],
      ],
      'first ride',
    ),
  };
}

/** The chain that decides the day, in its order. */
function Decides({ when }: { when: When }) {
  const decisive = when.parcels.find((p) => p.decides);
  const steps = [
    ...(decisive === undefined
      ? []
      : [
          ...(decisive.parcel.ordered
            ? []
            : [
                {
                  what: `Order ${parcelWords(decisive.parcel.rows)}`,
                  why: 'today; each day later is a day later',
                  day: when.today,
                },
              ]),
          {
            what: `${parcelWords(decisive.parcel.rows)} comes`,
            why: `${String(decisive.parcel.days?.most ?? '?')} days${decisive.parcel.supplier === '' ? '' : `, ${decisive.parcel.supplier}`}`,
            day: decisive.arrives ?? '',
          },
        ]),
    ...when.chain.flatMap(({ id, cause }) => {
      const t = when.tasks.find((one) => one.task.id === id);
      if (t === undefined) return [];
      const before =
        'id' in cause
          ? when.tasks.find((one) => one.task.id === cause.id)?.task.name.toLowerCase()
          : undefined;
      const why = {
        parts: 'waits for its parts',
        begin: 'can begin at once',
        after: `after: ${before ?? ''}`,
        hands: `waits for hands, busy with: ${before ?? ''}`,
      }[cause.kind];
      return [{ what: t.task.name, why, day: t.lastDay }];
    }),
  ];
  return (
    <FieldGroup title="What decides the day" note="in this order">
      <ol>
        {steps.map((step, i) => (
          <li key={`${step.what} ${String(i)}`} className="flex gap-2.5 border-b border-hair py-1">
            <b className="head w-4 text-[14px]">{i + 1}</b>
            <span className="min-w-0 flex-1 leading-snug">
              {step.what}
              <span className="block text-[12px] text-ink2">{step.why}</span>
            </span>
            <span className="num text-[13px] whitespace-nowrap">
              {step.day === '' ? '' : dayWords(step.day)}
            </span>
          </li>
        ))}
      </ol>
      {when.ride !== undefined && (
        <p className="flex justify-between border-t border-b-[3px] border-double border-t-ink border-b-ink py-1 font-semibold">
          Earliest riding day <span className="num">{dayWords(when.ride.latest)}</span>
        </p>
      )}
    </FieldGroup>
  );
}

function Forward({ planning }: { planning: Planning }) {
  const { document, verdict, now, when, learnt } = planning;
  const ways = useMemo(
    () => broughtForward(document, verdict.list.rows, now, when, learnt),
    [document, verdict, now, when, learnt],
  );
  if (ways.length === 0) return null;
  return (
    <FieldGroup title="What would bring it forward">
      {ways.map((way) => (
        <p key={way.what} className="flex justify-between gap-3 border-b border-hair py-1 leading-snug">
          <span>
            {capital(way.what)}
            <span className="block text-[12px] text-ink2">
              {way.gained > 0 ? `${counted(way.gained, 'day')} sooner` : 'no gain: something else decides'}
            </span>
          </span>
          <span className="num text-[13px] whitespace-nowrap">{dayWords(way.ride)}</span>
        </p>
      ))}
    </FieldGroup>
  );
}

/** What can be begun, and what has to be ordered today. */
function Now({ when }: { when: When }) {
  const due = when.parcels.filter(
    (p) => p.orderBy !== undefined && p.orderBy <= when.today && !p.parcel.ordered,
  );
  return (
    <>
      {due.length > 0 && (
        <FieldGroup
          title="To be ordered today"
          note={when.wanted === undefined ? undefined : `for ${dayWords(when.wanted)}`}
        >
          {due.map((p) => (
            <p
              key={p.parcel.id}
              className="flex justify-between gap-3 border-b border-hair py-1"
              data-due={p.parcel.id}
            >
              {parcelWords(p.parcel.rows)}
              <span className="num text-[13px] whitespace-nowrap">
                {p.orderBy !== undefined && p.orderBy < when.today
                  ? `was due ${dayWords(p.orderBy)}`
                  : 'today'}
              </span>
            </p>
          ))}
        </FieldGroup>
      )}
      {when.meanwhile.length > 0 && (
        <FieldGroup title="Meanwhile" note="before what decides has come">
          <p className="border-b border-hair py-1.5 leading-snug">
            {when.meanwhile.map((t) => t.name).join('; ')}.
          </p>
        </FieldGroup>
      )}
    </>
  );
}

export function WhenInputs({ planning }: { planning: Planning }) {
  const { document, verdict, when, learnt } = planning;
  const tasks = useMemo(() => tasksOf(document, verdict.list.rows, learnt), [document, verdict, learnt]);
  return (
    <>
      <WhenFields planning={planning} tasks={tasks} />
      <Decides when={when} />
      <Now when={when} />
      <Forward planning={planning} />
    </>
  );
}

/** The title states the finding: what decides, and the day. */
function titleOf(when: When): string {
  if (when.ridden) return 'The first ride is behind it';
  if (when.ride === undefined) return 'Nobody works in this week';
  const day = dayWords(when.ride.latest);
  const decisive = when.parcels.find((p) => p.decides);
  const what = decisive === undefined ? 'The work' : parcelWords(decisive.parcel.rows);
  const late = when.spare !== undefined && when.spare < 0 ? `, ${String(-when.spare)} days late` : '';
  return `${what} decides: ${when.open.length > 0 ? 'not before ' : ''}${day}${late}`;
}

/** Parcels and work to scale, and out of the house as a calendar file. */
export function WhenPicture({ planning }: { planning: Planning }) {
  const { document, when } = planning;
  const change = useSchedule();
  const id = useBuild((state) => state.id) ?? 'build';
  const [asTable, setAsTable] = useState(false);
  return (
    <section aria-label="Plan">
      <PanelHead title={titleOf(when)} note={when.weekAssumed ? 'weekday evenings assumed' : undefined}>
        <Button
          onClick={() => {
            downloadText(
              fileName(`${document.name} plan`, 'ics'),
              diaryText(document.name, diaryOf(when, id), when.today),
              'text/calendar',
            );
          }}
        >
          <CalendarPlus size={15} strokeWidth={1.6} aria-hidden /> Calendar file
        </Button>
        <Button
          kind="quiet"
          aria-pressed={asTable}
          onClick={() => {
            setAsTable(!asTable);
          }}
        >
          {asTable ? 'Drawing' : 'Table'}
        </Button>
        <Link
          to="../plan"
          relative="path"
          className="flex h-8 items-center gap-1.5 border-[1.5px] border-rule px-3 text-[13px] text-ink2 hover:bg-press max-bench:h-11"
        >
          <Printer size={14} strokeWidth={1.6} aria-hidden /> Print
        </Link>
      </PanelHead>
      {asTable ? (
        <PlanTable when={when} />
      ) : (
        <Gantt
          when={when}
          why={document.schedule.wantedWhy}
          onMove={(task, notBefore) => {
            const day = notBefore < when.today ? when.today : notBefore;
            change(
              (now) => toldOf(now, task, { notBefore: day === when.today ? '' : day }),
              'day of a task',
              `move ${task}`,
            );
          }}
        />
      )}
      {!asTable && <GanttLegend />}
      <p className="pt-2 text-[12.5px] leading-snug text-ink2">
        Drag work to a later day, or use the arrow keys on its name: what waits for it moves along. Days are
        the supplier’s, counted from the order.
      </p>
      {when.open.length > 0 && (
        <p className="pt-1 text-[12.5px] leading-snug text-ink2">
          Nobody knows the days of: {when.open.map((r) => r.what.split(',')[0]).join('; ')}.
        </p>
      )}
    </section>
  );
}

import {
  EXPERIENCES,
  NOTHING_TOLD,
  USUAL_WEEK,
  dayWords,
  type Schedule,
  type Task,
  type ToldTask,
} from '@apple-cart/core';
import { useState } from 'react';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { DateField } from '../../fields/date-field.tsx';
import { FieldGroup, FoldedGroup } from '../../fields/field-group.tsx';
import { TextField } from '../../fields/text-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { Button } from '../../ui/button.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { TextButton } from '../../ui/text-button.tsx';
import type { Planning } from './use-when.ts';

const WEEKS = {
  evenings: [3, 3, 3, 3, 3, 0, 0],
  'evenings-saturdays': [3, 3, 3, 3, 3, 5, 0],
  weekends: [0, 0, 0, 0, 0, 6, 6],
  days: [7.5, 7.5, 7.5, 7.5, 7.5, 0, 0],
} as const;
type WeekName = keyof typeof WEEKS | 'own';
const WEEK_NAMES: readonly { readonly value: WeekName; readonly label: string }[] = [
  { value: 'evenings', label: 'weekday evenings' },
  { value: 'evenings-saturdays', label: 'evenings, Saturdays' },
  { value: 'weekends', label: 'weekends' },
  { value: 'days', label: 'working days' },
  { value: 'own', label: 'hours as below' },
];
const nameOf = (week: readonly number[]): WeekName =>
  (Object.keys(WEEKS) as (keyof typeof WEEKS)[]).find((name) => WEEKS[name].every((h, i) => h === week[i])) ??
  'own';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
const EXPERIENCE_NAMES = {
  first: 'the first conversion',
  some: 'some done',
  practised: 'practised',
} as const;

/** Changes what is said of the plan. */
export function useSchedule(): (
  change: (now: Schedule) => Partial<Schedule>,
  label: string,
  key?: string,
) => void {
  const edit = useBuild((state) => state.edit);
  return (change, label, key) => {
    edit((d) => ({ ...d, schedule: { ...d.schedule, ...change(d.schedule) } }), label, key);
  };
}

/** What is said of one task, beside what is worked out. */
export const toldOf = (now: Schedule, id: string, told: Partial<ToldTask>): Partial<Schedule> => ({
  tasks: { ...now.tasks, [id]: { ...NOTHING_TOLD, ...now.tasks[id], ...told } },
});

/** Hours of one person through the week. */
function Hours({ index, person }: { index: number; person: Schedule['people'][number] }) {
  const change = useSchedule();
  const set = (week: readonly number[]) => (now: Schedule) => {
    const people = now.people.length === 0 ? [{ name: '', week: [...USUAL_WEEK] }] : now.people;
    return { people: people.map((p, i) => (i === index ? { ...p, week: [...week] } : p)) };
  };
  return (
    <>
      <ChoiceField
        label="At the bench"
        value={nameOf(person.week)}
        options={WEEK_NAMES}
        onChange={(name) => {
          if (name !== 'own') change(set(WEEKS[name]), 'hours at the bench');
        }}
      />
      <div className="grid grid-cols-7 gap-1 border-b border-hair py-1">
        {DAYS.map((day, i) => (
          <label key={day} className="text-center text-[11.5px] text-ink2">
            {day}
            <NumberCell
              label={`Hours on ${day}${index === 0 ? '' : ', second person'}`}
              value={person.week[i] ?? 0}
              most={14}
              onChange={(hours) => {
                change(
                  set(person.week.map((h, j) => (j === i ? (hours ?? 0) : h))),
                  'hours at the bench',
                  `hours ${String(index)} ${day}`,
                );
              }}
            />
          </label>
        ))}
      </div>
    </>
  );
}

function People({ when }: Planning) {
  const change = useSchedule();
  const { people } = useDocument().schedule;
  const shown = people.length === 0 ? [{ name: '', week: [...USUAL_WEEK] }] : people;
  return (
    <FieldGroup title="Who works" note={when.weekAssumed ? 'evenings assumed' : undefined}>
      {shown.map((person, i) => (
        <div key={String(i)}>
          <TextField
            label={shown.length === 1 ? 'Name' : `Name, ${['first', 'second', 'third'][i] ?? ''}`}
            value={person.name}
            max={40}
            onChange={(name) => {
              change(
                () => ({ people: shown.map((p, j) => (j === i ? { ...p, name } : p)) }),
                'name',
                `person ${String(i)}`,
              );
            }}
          />
          <Hours index={i} person={person} />
          {shown.length > 1 && (
            <TextButton
              onClick={() => {
                change(() => ({ people: shown.filter((_, j) => j !== i) }), 'person taken out');
              }}
            >
              Take out {person.name === '' ? 'this one' : person.name}
            </TextButton>
          )}
        </div>
      ))}
      {shown.length < 3 && (
        <Button
          kind="quiet"
          className="my-1.5"
          onClick={() => {
            change(
              () => ({ people: [...shown, { name: '', week: [...(shown[0]?.week ?? USUAL_WEEK)] }] }),
              'person added',
            );
          }}
        >
          One more pair of hands
        </Button>
      )}
    </FieldGroup>
  );
}

/** Hours of a task: as worked out, as entered, and as they were in the end. */
function TaskHours({ task, told }: { task: Task; told: ToldTask }) {
  const change = useSchedule();
  return (
    <tr className="border-b border-hair">
      <th scope="row" className="py-0.5 pr-1 text-left font-normal">
        {task.name}
        {task.hoursFrom === 'learnt' && (
          <span className="block text-[11.5px] text-ink2">as this shop takes</span>
        )}
        {told.notBefore !== '' && (
          <span className="block text-[11.5px] text-ink2">
            not before {dayWords(told.notBefore)}{' '}
            <TextButton
              onClick={() => {
                change((now) => toldOf(now, task.id, { notBefore: '' }), 'day of a task');
              }}
            >
              as soon as can be
            </TextButton>
          </span>
        )}
      </th>
      {(['hours', 'dries', 'took'] as const).map((what) => (
        <td key={what} className="w-14 py-0.5 pl-1">
          <NumberCell
            label={`${{ hours: 'Hours', dries: 'Hours to dry', took: 'Hours it took' }[what]}: ${task.name}`}
            value={told[what]}
            most={1000}
            placeholder={{ hours: task.hours.toFixed(1), dries: String(task.dries), took: '–' }[what]}
            onChange={(value) => {
              change(
                (now) =>
                  toldOf(now, task.id, {
                    [what]: value,
                    ...(what === 'took' ? { usual: value === null ? null : task.usualHours } : {}),
                  }),
                'hours of a task',
                `${what} ${task.id}`,
              );
            }}
          />
        </td>
      ))}
    </tr>
  );
}

function Tasks({ tasks, schedule }: { tasks: readonly Task[]; schedule: Schedule }) {
  const change = useSchedule();
  const [what, setWhat] = useState('');
  const [before, setBefore] = useState('bench');
  return (
    <FoldedGroup title="Hours of the work" note="usual ones until you type your own">
      <table className="w-full border-collapse text-[13px]">
        <thead>
          <tr className="text-right text-[12px] text-ink2">
            <td />
            <th className="font-normal">hours</th>
            <th className="font-normal">dries</th>
            <th className="font-normal">took</th>
          </tr>
        </thead>
        <tbody>
          {tasks.map((task) => (
            <TaskHours key={task.id} task={task} told={schedule.tasks[task.id] ?? NOTHING_TOLD} />
          ))}
        </tbody>
      </table>
      <form
        className="py-1"
        onSubmit={(event) => {
          event.preventDefault();
          const name = what.trim();
          if (name === '') return;
          change((now) => {
            const taken = new Set(now.own.map((o) => o.key));
            const n =
              Array.from({ length: 21 }, (_, i) => i + 1).find((i) => !taken.has(`own/${String(i)}`)) ?? 1;
            return { own: [...now.own, { key: `own/${String(n)}`, what: name, before }].slice(0, 20) };
          }, 'work added');
          setWhat('');
        }}
      >
        <TextField
          label="More work"
          value={what}
          max={80}
          placeholder="paint, glue, a rack"
          onChange={setWhat}
        />
        <ChoiceField
          label="Done before"
          value={before}
          options={tasks
            .filter((t) => !t.id.startsWith('own/'))
            .map((t) => ({ value: t.id, label: t.name.toLowerCase() }))}
          onChange={setBefore}
        />
        <Button type="submit" className="mt-1.5" disabled={what.trim() === ''}>
          Add work
        </Button>
      </form>
      <p className="pb-1 text-[12.5px] text-ink2">
        Hours typed under “took” end a task, and are learnt for the next job of this shop. Usual hours are
        common practice.
      </p>
    </FoldedGroup>
  );
}

/** The job: from when, for when, who works, and how long things take. */
export function WhenFields({ planning, tasks }: { planning: Planning; tasks: readonly Task[] }) {
  const change = useSchedule();
  // What is typed shows at once; only what is worked out of it may lag.
  const { schedule } = useDocument();
  return (
    <>
      <FieldGroup title="The job">
        <DateField
          label="Begins"
          value={schedule.begins}
          onChange={(begins) => {
            change(() => ({ begins }), 'begin', 'begins');
          }}
        />
        <DateField
          label="Wanted for"
          value={schedule.wantedFor}
          onChange={(wantedFor) => {
            change(() => ({ wantedFor }), 'day wanted', 'wantedFor');
          }}
        />
        <TextField
          label="What day that is"
          value={schedule.wantedWhy}
          max={60}
          placeholder="market, birthday"
          onChange={(wantedWhy) => {
            change(() => ({ wantedWhy }), 'day wanted', 'wantedWhy');
          }}
        />
        <ChoiceField
          label="Experience"
          value={schedule.experience ?? 'unsaid'}
          unknown={schedule.experience === null}
          options={[
            ...EXPERIENCES.map((value) => ({ value, label: EXPERIENCE_NAMES[value] })),
            { value: 'unsaid' as const, label: 'not said: first assumed' },
          ]}
          onChange={(value) => {
            change(() => ({ experience: value === 'unsaid' ? null : value }), 'experience');
          }}
        />
      </FieldGroup>
      <People {...planning} />
      <Tasks tasks={tasks} schedule={schedule} />
    </>
  );
}

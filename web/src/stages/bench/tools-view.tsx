import { FAULT_NAMES, SIMULATED_FAULTS, type HoldPoint, type Instrument } from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { useSimulated } from '../../state/simulated.ts';
import { FieldGroup } from '../../fields/field-group.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { bandWords } from './expected.ts';
import { useSettings } from '../../state/settings-store.ts';

/** What each instrument is wanted for, most wanted first. */
function byInstrument(
  points: readonly HoldPoint[],
): readonly (readonly [Instrument, readonly HoldPoint[]])[] {
  const groups = new Map<Instrument, HoldPoint[]>();
  for (const p of points) groups.set(p.instrument, [...(groups.get(p.instrument) ?? []), p]);
  return [...groups].filter(([name]) => name !== 'eyes').sort((a, b) => b[1].length - a[1].length);
}

/** The torques of this job, so that one wrench is chosen that spans them. */
export function ToolsInputs({ points }: { points: readonly HoldPoint[] }) {
  const torques = points.flatMap(({ evidence }) =>
    evidence.kind === 'readings' && evidence.unit === 'N m' ? [evidence.low, evidence.high] : [],
  );
  const known = torques.filter((n) => n !== null);
  const { fault, set } = useSimulated();
  return (
    <>
      <FieldGroup title="Torque wrench">
        <p className="border-b border-hair py-1.5 leading-snug">
          {known.length === 0
            ? 'No torque of this job is known yet: the maker’s figures are written down as they are used.'
            : `One that spans ${String(Math.min(...known))} to ${String(Math.max(...known))} N m, or two that share it.`}
        </p>
      </FieldGroup>
      <FieldGroup title="Simulated instruments" note="nothing is plugged in">
        <p className="border-b border-hair py-1.5 leading-snug">
          Meter, battery monitor, wheel counter and programmer are simulated stand-ins: they answer from the
          plan’s own simulation, with noise. Every value that they give says so. Ask for a fault to practise
          finding it.
        </p>
        <ChoiceField
          label="Fault to practise"
          value={fault}
          options={SIMULATED_FAULTS.map((value) => ({ value, label: FAULT_NAMES[value] }))}
          onChange={(next) => {
            set({ fault: next });
          }}
        />
      </FieldGroup>
    </>
  );
}

export function ToolsPicture({ points }: { points: readonly HoldPoint[] }) {
  const system = useSettings((state) => state.units);
  return (
    <section aria-label="Meters and tools">
      <PanelHead title="Meters and tools" note="worked out from the hold points of this build" />
      {byInstrument(points).map(([name, list]) => (
        <section key={name} className="pt-2">
          <h3 className="border-b-[1.5px] border-ink pb-0.5 text-[14px] font-semibold capitalize">
            {name} <span className="font-normal text-ink2">{list.length}</span>
          </h3>
          <ul className="text-[13.5px]">
            {list.map((p) => (
              <li key={p.key} className="flex justify-between gap-3 border-b border-hair py-1">
                <span>{p.title}</span>
                <span className="num text-right">
                  {p.evidence.kind === 'readings' ? bandWords(p.evidence, system) : ''}
                </span>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </section>
  );
}

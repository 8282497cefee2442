import { LOW_CHARGE, formatNumber, msToKmh } from '@apple-cart/core';
import { FieldGroup, WorkedRow } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { useDocument } from '../../state/build-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Caution } from '../../ui/caution.tsx';
import { Num } from '../../ui/num.tsx';
import { HeldCogField } from '../parts/held-cog-field.tsx';
import { Ledger } from '../parts/ledger.tsx';
import { Stage } from '../parts/stage.tsx';
import { figureOf, useStage } from '../parts/use-stage.ts';
import { HillPanel } from './hill-panel.tsx';
import { climbLines } from './climb-ledger.tsx';
import { StartBars } from './start-bars.tsx';

function Inputs() {
  const document = useDocument();
  const { verdict } = useStage();
  const shown = useQuantity();
  const machine = figureOf(verdict, 'mass').value ?? 0;
  const total = verdict.axlesKg.rear + verdict.axlesKg.front;
  const mass = (kg: number) => <Num text={shown(kg, 'kg', 1).text} places={3} />;
  return (
    <>
      <FieldGroup title="Load on the hill">
        <NumberField path="brief.riderMassKg" />
        <NumberField path="brief.loadMassKg" />
        <WorkedRow label="Bicycle, motor, pack" unit={shown(1, 'kg').unit}>
          {mass(machine)}
        </WorkedRow>
        <WorkedRow label="Total load" unit={shown(1, 'kg').unit} sum>
          {mass(total)}
        </WorkedRow>
      </FieldGroup>
      <FieldGroup title="Gear on the hill">
        <NumberField path="gearing.ringTeeth" />
        <HeldCogField label="Cog held" />
      </FieldGroup>
      <FieldGroup title="Current">
        <NumberField path="controller.batteryCurrentA" label="Battery current" />
        <NumberField path="controller.phaseCurrentA" label="Phase current" />
      </FieldGroup>
      <FieldGroup title="Test hill" note={document.brief.hillName}>
        <NumberField path="brief.hillLengthM" label="Length" />
        <NumberField path="brief.hillGradePct" label="Grade, mean" />
        <NumberField path="brief.riderPowerW" />
        <NumberField path="donor.crr" />
        <NumberField path="donor.tyreGrip" />
        <NumberField path="brief.headwindMs" />
      </FieldGroup>
      <Caution>
        A motor working hard gets hot enough to burn. How hot is not modelled yet; the maker’s data sheet
        decides.
      </Caution>
    </>
  );
}

/** Speed against grade, the test hill, the watts on it and the start. */
export function HillStage() {
  const { verdict } = useStage();
  const shown = useQuantity();
  const { climb, start } = verdict.hill;
  const starts = `starts on ${formatNumber(start.gradePct, 1)} %`;
  const state = verdict.stages.find((s) => s.id === 'hill')?.state ?? 'unknown';
  const speed = climb.climbs ? shown(msToKmh(climb.v), 'km/h') : undefined;
  return (
    <Stage
      id="hill"
      pictureFirst
      stamp={{
        state,
        word: climb.climbs ? 'Climbs' : 'Stalls',
        under: speed === undefined ? starts : `at ${speed.text} ${speed.unit}, ${starts}`,
      }}
      inputs={<Inputs />}
      picture={
        <>
          <HillPanel />
          <div className="grid gap-x-6 gap-y-3 pt-2 tablet:grid-cols-2">
            <Ledger title="The test hill at its steady speed" lines={climbLines(verdict)} />
            <StartBars verdict={verdict} />
          </div>
          <p className="pt-2 text-[12.5px] text-ink2">
            At half charge; the tint runs from {LOW_CHARGE * 100} % charge to full. Not modelled yet: warming
            of motor and controller, the run-up, changes of grade.
          </p>
        </>
      }
    />
  );
}

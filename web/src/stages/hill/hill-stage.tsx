import { useSearchParams } from 'react-router';
import {
  HILL_WORDS,
  LOW_CHARGE,
  formatNumber,
  givesOut,
  massesOf,
  msToKmh,
  phraseText,
} from '@apple-cart/core';
import { FieldGroup, WorkedRow } from '../../fields/field-group.tsx';
import { WindAt } from '../parts/wind-at.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { RouteField } from '../../ride/route-field.tsx';
import { useDocument } from '../../state/build-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Caution } from '../../ui/caution.tsx';
import { Num } from '../../ui/num.tsx';
import { HeldCogField } from '../parts/held-cog-field.tsx';
import { Ledger } from '../parts/ledger.tsx';
import { Stage, StageFindings } from '../parts/stage.tsx';
import { figureOf, useStage } from '../parts/use-stage.ts';
import { ViewLinks } from '../parts/view-links.tsx';
import { GearsOnHill } from './gears-on-hill.tsx';
import { HeatFields, HeatView } from './heat-view.tsx';
import { HillPanel } from './hill-panel.tsx';
import { MapView } from './map-view.tsx';
import { HillRideView } from './ride-view.tsx';
import { HILL_VIEWS, type HillView } from '../../screens/hill-views.ts';
import { climbLines } from './climb-ledger.tsx';
import { StartBars } from './start-bars.tsx';

function Fields({ view }: { view: HillView }) {
  const document = useDocument();
  const { verdict } = useStage();
  const shown = useQuantity();
  const machine = figureOf(verdict, 'mass').value ?? 0;
  const total = verdict.axlesKg.rear + verdict.axlesKg.front;
  const { known } = verdict;
  const weighed = massesOf(document, known);
  const mass = (kg: number) => <Num text={shown(kg, 'kg', 1).text} places={3} />;
  const road = (
    <FieldGroup title="Road">
      <RouteField which="hillRoute" none="test hill" />
    </FieldGroup>
  );
  const load = (
    <FieldGroup title="Load on the hill">
      <NumberField path="brief.riderMassKg" />
      <NumberField path="brief.loadMassKg" />
      <WorkedRow label="Bicycle, motor, pack" unit={shown(1, 'kg').unit} from={weighed}>
        {mass(machine)}
      </WorkedRow>
      <WorkedRow
        label="Total load"
        unit={shown(1, 'kg').unit}
        sum
        from={[...weighed, known.brief.riderMassKg, known.brief.loadMassKg]}
      >
        {mass(total)}
      </WorkedRow>
    </FieldGroup>
  );
  const gear = (
    <FieldGroup title="Gear on the hill">
      <NumberField path="gearing.ringTeeth" />
      <HeldCogField label="Cog held" />
    </FieldGroup>
  );
  const current = (
    <FieldGroup title="Current">
      <NumberField path="controller.batteryCurrentA" label="Battery current" />
      <NumberField path="controller.phaseCurrentA" label="Phase current" />
    </FieldGroup>
  );
  const hill = (
    <FieldGroup title="Test hill" note={document.brief.hillName}>
      <NumberField path="brief.hillLengthM" label="Length" />
      <NumberField path="brief.hillGradePct" label="Grade, mean" />
      <NumberField path="brief.riderPowerW" />
      <NumberField path="donor.crr" />
      <NumberField path="donor.tyreGrip" />
      <NumberField path="brief.headwindMs" />
      <WindAt />
    </FieldGroup>
  );
  switch (view) {
    case 'ride':
      return (
        <>
          {road}
          {load}
          {gear}
          {current}
          <FieldGroup title="Rider">
            <NumberField path="brief.riderPowerW" />
            <NumberField path="brief.cruiseSpeedKmh" />
            {document.brief.hillRoute !== '' && <NumberField path="brief.groundPct" />}
            <NumberField path="brief.descentKmh" />
          </FieldGroup>
        </>
      );
    case 'heat':
      return (
        <>
          {road}
          <HeatFields />
          {current}
        </>
      );
    case 'grade':
    case 'gears':
    case 'map':
      return (
        <>
          {load}
          {gear}
          {current}
          {hill}
        </>
      );
  }
}

/** The steady hill: speed against grade, the watts on it and the start. */
function GradeView() {
  const { verdict } = useStage();
  return (
    <>
      <HillPanel />
      <div className="grid gap-x-6 gap-y-3 pt-2 tablet:grid-cols-2">
        <Ledger title="The test hill at its steady speed" lines={climbLines(verdict)} />
        <StartBars verdict={verdict} />
      </div>
      <p className="pt-2 text-[12.5px] text-ink2">
        At half charge, the motor warm; the tint runs from {LOW_CHARGE * 100} % charge to full. The run-up,
        changes of grade and heat: see “Ride it” and “Heat”.
      </p>
    </>
  );
}

function Picture({ view }: { view: HillView }) {
  switch (view) {
    case 'grade':
      return <GradeView />;
    case 'ride':
      return <HillRideView />;
    case 'heat':
      return <HeatView />;
    case 'gears':
      return <GearsOnHill />;
    case 'map':
      return <MapView />;
  }
}

/** Will it climb, how fast, how hot, in which gear: the steady hill, the hill ridden, heat, gears and a map. */
export function HillStage() {
  const { verdict } = useStage();
  const shown = useQuantity();
  const [params] = useSearchParams();
  const view = HILL_VIEWS.find((v) => v.id === params.get('view'))?.id ?? 'grade';
  const { climb, outcome, start, heat } = verdict.hill;
  const starts = `starts on ${formatNumber(start.gradePct, 1)} %`;
  const lasts =
    heat.tooHotAfter === undefined ? 'lasts' : `lasts ${formatNumber(heat.tooHotAfter / 60, 0)} min`;
  const state = verdict.stages.find((s) => s.id === 'hill')?.state ?? 'unknown';
  const ends = givesOut(outcome, climb);
  const figure = verdict.figures.find(({ id }) => id === 'hill');
  const open = verdict.study.turns.hill === undefined ? undefined : figure?.condition;
  const speed = climb.climbs ? shown(msToKmh(climb.v), 'km/h') : undefined;
  return (
    <Stage
      id="hill"
      pictureFirst
      stamp={{
        state,
        word: open === undefined ? HILL_WORDS[outcome.kind] : 'Cannot tell',
        under: phraseText(
          open ??
            ends ?? [
              [speed && `at ${speed.text} ${speed.unit}, ${lasts}`, starts].filter(Boolean).join(', '),
            ],
        ),
      }}
      views={<ViewLinks label="Views of the hill stage" views={HILL_VIEWS} view={view} />}
      inputs={
        <>
          <Fields view={view} />
          <StageFindings id="hill" />
          <Caution>
            A motor working hard gets hot enough to burn skin. Temperatures here are estimates: the maker’s
            data sheet and a sensor in the winding decide.
          </Caution>
        </>
      }
      picture={<Picture view={view} />}
    />
  );
}

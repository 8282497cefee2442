import { useMemo, useState } from 'react';
import { shownUnit, msToKmh, convert, continuousCurve, assemble, formatNumber, heatOnGrade, STATED_CHARGE, repeatedClimbs, ridePlan, routeLengthM, RIDE_END_WORDS, traceSpacing } from '@apple-cart/core';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { continuousChart, repeatChart } from '../../charts/heat-charts.ts';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { YesNoField, AnswerField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { PlainNumber } from '../../fields/plain-number.tsx';
import { useRoad } from '../../ride/route-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { useDeferredStage } from '../parts/use-stage.ts';
import { useTestHill } from './use-hill-ride.ts';

/** The motor's two bodies, what holds it back, and the fluid in its gap. */
export function HeatFields() {
  const document = useDocument();
  const edit = useBuild((state) => state.edit);
  const { drive } = document;
  return (
    <>
      <FieldGroup title="What holds it back">
        <AnswerField
          label="Sensor in the winding"
          value={drive.windingSensor}
          onChange={(windingSensor) => {
            edit((d) => withSection(d, 'drive', { windingSensor }), 'winding sensor');
          }}
        />
        {drive.windingSensor === 'yes' && (
          <>
            <NumberField path="drive.rollbackStartC" />
            <NumberField path="drive.rollbackEndC" />
          </>
        )}
        <NumberField path="drive.damageC" />
      </FieldGroup>
      <FieldGroup title="How it warms" note="estimates until fitted">
        <NumberField path="drive.windingHeatJK" />
        <NumberField path="drive.shellHeatJK" />
        <NumberField path="drive.coupleWK" />
        <YesNoField
          label="Fluid in the air gap"
          value={drive.fluid}
          no="none"
          onChange={(fluid) => {
            edit((d) => withSection(d, 'drive', { fluid }), 'air-gap fluid');
          }}
        />
        {drive.fluid && <NumberField path="drive.fluidFactor" />}
      </FieldGroup>
      <FieldGroup title="How it cools">
        <NumberField path="drive.coolStillWK" />
        <NumberField path="drive.coolMovingWK" />
        <NumberField path="brief.temperatureC" />
      </FieldGroup>
    </>
  );
}

const SPEEDS = 30;
const MOST_CLIMBS = 20;

/** What the motor holds for ever, and how hot one climb after the other makes it. */
export function HeatView() {
  const { document, verdict } = useDeferredStage();
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const shown = useQuantity();
  const [times, setTimes] = useState(3);
  const testHill = useTestHill();
  const { road = testHill } = useRoad('hillRoute', testHill);
  const { climb, heat } = verdict.hill;
  const top = verdict.topKmh.full ?? 25;

  const machine = useMemo(() => assemble(document), [document]);
  const curves = useMemo(() => {
    const { fluid } = document.drive;
    const beside = assemble({ ...document, drive: { ...document.drive, fluid: !fluid } });
    // No faster than the machine goes: beyond that no power is asked.
    const speeds = Array.from({ length: SPEEDS }, (_, i) => (top / 3.6) * ((i + 1) / SPEEDS));
    return [continuousCurve(machine, speeds), continuousCurve(beside, speeds)] as const;
  }, [document, machine, top]);
  const continuous = useMemo(
    () =>
      continuousChart(
        {
          dry: curves[0],
          other: curves[1],
          otherName: document.drive.fluid ? 'without the fluid' : 'with fluid in the air gap',
          hill: climb.climbs ? { v: climb.v, motorW: climb.motorW, name: testHill.name } : undefined,
          system,
        },
        ink,
      ),
    [curves, document.drive.fluid, climb, testHill.name, system, ink],
  );
  const repeated = useMemo(() => {
    const there = { ...road, times, andBack: true };
    const plan = ridePlan(document, there, 'full');
    const ride = plan.ride({ traceEvery: Math.min(traceSpacing(plan.course), routeLengthM(road) / 60) });
    return { ride, trace: ride.trace, climbs: repeatedClimbs(ride, routeLengthM(road)) };
  }, [document, road, times]);
  const { thermal } = machine;
  const grade = verdict.known.brief.hillGradePct.value;
  // What a sensor that holds back saves the winding from: the same climb with nothing to hold it back.
  const unheld = useMemo(
    () =>
      Number.isFinite(thermal.rollbackStartC)
        ? heatOnGrade(
            { ...machine, thermal: { ...thermal, rollbackStartC: Infinity, rollbackEndC: Infinity } },
            STATED_CHARGE,
            grade,
            machine.heldGear ?? 'best',
          ).tooHotAfter
        : undefined,
    [machine, thermal, grade],
  );
  const rollbackC = Number.isFinite(thermal.rollbackStartC) ? thermal.rollbackStartC : undefined;
  const repeat = useMemo(
    () =>
      repeated.trace === undefined
        ? {}
        : repeatChart(
            {
              trace: repeated.trace,
              lengthM: routeLengthM(road),
              climbs: repeated.climbs,
              rollbackC,
              damageC: thermal.damageC,
            },
            system,
            ink,
          ),
    [repeated, road, rollbackC, thermal.damageC, system, ink],
  );
  const here = climb.climbs
    ? curves[0].reduce(
        (best, p) => (Math.abs(p.v - climb.v) < Math.abs(best.v - climb.v) ? p : best),
        curves[0][0] ?? { v: 0, motorW: 0, phaseA: 0, forceN: 0, shellC: 0 },
      )
    : undefined;
  const last = repeated.climbs.at(-1);
  const hot = last === undefined ? undefined : shown(last.topC, 'C', 0);
  const stays = repeated.ride.ends === 'arrived';
  const unit = shown(1, 'km/h').unit;
  return (
    <>
      <ChartPanel
        title={
          here === undefined || !climb.climbs
            ? 'What the motor holds for ever'
            : heat.tooHotAfter === undefined
              ? `The hill lasts: it asks ${formatNumber(climb.motorW, 0)} W of ${formatNumber(here.motorW, 0)} W`
              : `The hill lasts ${formatNumber(heat.tooHotAfter / 60, 0)} min: ${formatNumber(climb.motorW, 0)} W asked, ${formatNumber(here.motorW, 0)} W for ever`
        }
        summary="Continuous power at the shaft against road speed, with and without fluid in the air gap."
        name={`${document.name} continuous power`}
        option={continuous}
        height="h-[230px]"
        table={{
          columns: [
            { name: `Speed, ${unit}`, digits: 1 },
            { name: 'For ever, W' },
            { name: 'Phase, A' },
            { name: document.drive.fluid ? 'Without fluid, W' : 'With fluid, W' },
          ],
          rows: curves[0].map((p, i) => [
            convert(msToKmh(p.v), 'km/h', shownUnit('km/h', system)),
            p.motorW,
            p.phaseA,
            curves[1][i]?.motorW,
          ]),
        }}
      />
      <ChartPanel
        title={
          stays && hot !== undefined
            ? `After ${String(last?.climb ?? 0)} climbs ${hot.text} ${hot.unit} at the top`
            : `Climb ${String((last?.climb ?? 0) + (stays ? 0 : 1))}: ${RIDE_END_WORDS[repeated.ride.ends]}`
        }
        note={road.name}
        summary="Winding temperature from climb to climb, with the way down between."
        name={`${document.name} repeated climb`}
        option={repeat}
        height="h-[200px]"
        table={{
          columns: [
            { name: 'Climb' },
            { name: `Top, ${shown(1, 'C').unit}` },
            { name: `Foot, ${shown(1, 'C').unit}` },
            { name: 'Up, min', digits: 1 },
            { name: 'Charge after, %' },
          ],
          rows: repeated.climbs.map((c) => [
            c.climb,
            convert(c.topC, 'C', shownUnit('C', system)),
            convert(c.bottomC, 'C', shownUnit('C', system)),
            c.upSeconds / 60,
            c.chargePct,
          ]),
        }}
      >
        <PlainNumber
          label="Climbs"
          value={times}
          unit="1"
          min={1}
          max={MOST_CLIMBS}
          step={1}
          onChange={setTimes}
        />
      </ChartPanel>
      {climb.climbs && (
        <p className="pt-1 text-[13.5px] leading-snug" data-testid="minutes">
          On {formatNumber(grade, 1)} % without an end, from cold:{' '}
          <b>
            {heat.tooHotAfter === undefined
              ? 'never too hot'
              : heat.what === 'rollback'
                ? `held back after ${formatNumber(heat.tooHotAfter / 60, 0)} min`
                : `the winding suffers after ${formatNumber(heat.tooHotAfter / 60, 0)} min`}
          </b>
          {unheld !== undefined && (
            <>; without a sensor it would suffer after {formatNumber(unheld / 60, 0)} min</>
          )}
          .
        </p>
      )}
      <p className="pt-1 text-[12.5px] text-ink2">
        For ever: the winding settles at{' '}
        {shown(Math.min(thermal.rollbackStartC, thermal.damageC - 10), 'C', 0).text} {shown(1, 'C').unit} and
        no higher. Climbs with all help, down again letting it run; from{' '}
        {formatNumber(verdict.known.pack.chargeLimitPct.value, 0)} % charge, cold.
      </p>
    </>
  );
}

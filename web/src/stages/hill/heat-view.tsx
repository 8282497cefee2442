import { useMemo, useState } from 'react';
import {
  RIDE_END_WORDS,
  convert,
  formatNumber,
  kmhToMs,
  msToKmh,
  routeLengthM,
  shownUnit,
  unitText,
  type Continuous,
  type HeatRidden,
  MOST_GIVEN_BACK,
  givenBack,
  type HeatTimes,
  type State,
  type Route,
  type Verdict,
} from '@apple-cart/core';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { continuousChart, repeatChart } from '../../charts/heat-charts.ts';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { YesNoField, AnswerField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { PlainNumber } from '../../fields/plain-number.tsx';
import { RoadWaits, useRoad } from '../../ride/route-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Studying } from '../../work/studying.tsx';
import { useStudy } from '../../work/use-study.ts';
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
/** A machine without a top speed is looked at up to here, km/h. */
const USUAL_KMH = 25;

const minutesText = (seconds: number): string => `${formatNumber(seconds / 60, 0)} min`;

/** Whether the hill asks more than the motor holds for ever, and for how long it is borne. */
function lastsTitle({ hill: { climb, heat } }: Verdict, own: readonly Continuous[]): string {
  const [first] = own;
  if (!climb.climbs || first === undefined) return 'What the motor holds for ever';
  const here = own.reduce(
    (best, p) => (Math.abs(p.v - climb.v) < Math.abs(best.v - climb.v) ? p : best),
    first,
  );
  const [asked, held] = [formatNumber(climb.motorW, 0), formatNumber(here.motorW, 0)];
  return heat.tooHotAfter === undefined
    ? `The hill lasts: it asks ${asked} W of ${held} W`
    : `The hill lasts ${minutesText(heat.tooHotAfter)}: ${asked} W asked, ${held} W for ever`;
}

function ContinuousPanel({ curves: [own, other] }: Pick<HeatRidden, 'curves'>) {
  const { document, verdict } = useDeferredStage();
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const testHill = useTestHill();
  const { climb } = verdict.hill;
  const speedUnit = shownUnit('km/h', system);
  const continuous = useMemo(
    () =>
      continuousChart(
        {
          dry: own,
          other,
          otherName: document.drive.fluid ? 'without the fluid' : 'with fluid in the air gap',
          hill: climb.climbs ? { v: climb.v, motorW: climb.motorW, name: testHill.name } : undefined,
          system,
        },
        ink,
      ),
    [own, other, document.drive.fluid, climb, testHill.name, system, ink],
  );
  return (
    <ChartPanel
      title={lastsTitle(verdict, own)}
      summary="Continuous power at the shaft against road speed, with and without fluid in the air gap."
      name={`${document.name} continuous power`}
      option={continuous}
      height="h-[230px]"
      table={{
        columns: [
          { name: `Speed, ${unitText(speedUnit)}`, digits: 1 },
          { name: 'For ever, W' },
          { name: 'Phase, A' },
          { name: document.drive.fluid ? 'Without fluid, W' : 'With fluid, W' },
        ],
        rows: own.map((p, i) => [
          convert(msToKmh(p.v), 'km/h', speedUnit),
          p.motorW,
          p.phaseA,
          other[i]?.motorW,
        ]),
      }}
    />
  );
}

function RepeatPanel({
  repeated: { ride, climbs },
  thermal,
  road,
  times,
  onTimes,
}: Pick<HeatRidden, 'repeated' | 'thermal'> & {
  road: Route;
  times: number;
  onTimes: (times: number) => void;
}) {
  const { document } = useDeferredStage();
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const shown = useQuantity();
  const heatUnit = shownUnit('C', system);
  const { trace } = ride;
  const repeat = useMemo(
    () =>
      trace === undefined
        ? {}
        : repeatChart(
            {
              trace,
              lengthM: routeLengthM(road),
              climbs,
              rollbackC: Number.isFinite(thermal.rollbackStartC) ? thermal.rollbackStartC : undefined,
              damageC: thermal.damageC,
            },
            system,
            ink,
          ),
    [trace, climbs, road, thermal, system, ink],
  );
  const last = climbs.at(-1);
  const hot = last === undefined ? undefined : shown(last.topC, 'C', 0);
  const stays = ride.ends === 'arrived';
  return (
    <ChartPanel
      title={
        stays && hot !== undefined
          ? `After ${String(last?.climb ?? 0)} climbs ${hot.text} ${hot.unit} at the top`
          : `Climb ${String((last?.climb ?? 0) + (stays ? 0 : 1))}: ${RIDE_END_WORDS[ride.ends]}`
      }
      note={road.name}
      summary="Winding temperature from climb to climb, with the way down between."
      name={`${document.name} repeated climb`}
      option={repeat}
      height="h-[200px]"
      table={{
        columns: [
          { name: 'Climb' },
          { name: `Top, ${unitText(heatUnit)}` },
          { name: `Foot, ${unitText(heatUnit)}` },
          { name: 'Up, min', digits: 1 },
          { name: 'Charge after, %' },
        ],
        rows: climbs.map((c) => [
          c.climb,
          convert(c.topC, 'C', heatUnit),
          convert(c.bottomC, 'C', heatUnit),
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
        onChange={onTimes}
      />
    </ChartPanel>
  );
}

/** What braking with the motor brings on the way down, or why nothing. */
function GivesBack({ repeated: { ride, climbs } }: Pick<HeatRidden, 'repeated'>) {
  const { document } = useDeferredStage();
  const { drive, controller } = document;
  if (drive.freewheel || drive.commutation === 'brushes') return null;
  const back = givenBack(ride);
  const line = (words: string, state: State) => (
    <p className="flex items-start gap-2 pt-1 text-[13.5px] leading-snug" data-testid="gives-back">
      <span className="pt-0.5">
        <StateMark state={state} size={14} />
      </span>
      <span>{words}</span>
    </p>
  );
  if (controller.regenerates === 'unknown')
    return line(
      'Whether it brakes with the motor is not known: nothing is counted as given back.',
      'unknown',
    );
  if (controller.regenerates === 'no') return null;
  if (controller.regenA.source === 'unknown')
    return line('How many amps braking gives back is not known: nothing is counted.', 'unknown');
  // Nothing comes back of a climb that was not ended.
  if (back === undefined && climbs.length === 0) return null;
  if (back === undefined)
    return line(
      'Braking gives nothing back here: a full or a cold pack takes nothing, and brakes must hold.',
      'look',
    );
  const share = formatNumber(100 * back.share, 0);
  return line(
    `On the way down it gives back ${formatNumber(back.wh, 0)} Wh, ${share} % of what was taken${back.share > MOST_GIVEN_BACK ? ': more than a third is not to be believed' : ''}.`,
    back.share > MOST_GIVEN_BACK ? 'look' : 'fine',
  );
}

const BORNE = {
  rollback: 'held back',
  controller: 'held back by the controller’s own heat',
  damage: 'the winding suffers',
  never: '',
} as const;

function borne({ tooHotAfter, what }: HeatTimes): string {
  if (tooHotAfter === undefined) return 'never too hot';
  return `${BORNE[what]} after ${minutesText(tooHotAfter)}`;
}

/** How long the hill's grade is borne, with what holds back and without it. */
function LastsLine({ unheldAfter, thermal }: Pick<HeatRidden, 'unheldAfter' | 'thermal'>) {
  const { verdict } = useDeferredStage();
  const shown = useQuantity();
  const { climb, heat } = verdict.hill;
  const grade = verdict.known.brief.hillGradePct.value;
  const settles = shown(Math.min(thermal.rollbackStartC, thermal.damageC - 10), 'C', 0);
  return (
    <>
      {climb.climbs && (
        <p className="pt-1 text-[13.5px] leading-snug" data-testid="minutes">
          On {formatNumber(grade, 1)} % without an end, from cold: <b>{borne(heat)}</b>
          {unheldAfter !== undefined && (
            <>; without a sensor it would suffer after {minutesText(unheldAfter)}</>
          )}
          .
        </p>
      )}
      <p className="pt-1 text-[12.5px] text-ink2">
        For ever: the winding settles at {settles.text} {settles.unit} and no higher. Climbs with all help,
        down again letting it run; from {formatNumber(verdict.known.packs[0].chargeLimitPct.value, 0)} %
        charge, cold.
      </p>
    </>
  );
}

/** What the motor holds for ever, and how hot one climb after the other makes it. */
export function HeatView() {
  const { document, verdict } = useDeferredStage();
  const [times, setTimes] = useState(3);
  const { road, unread } = useRoad('hillRoute', useTestHill());
  const top = verdict.topKmh.full ?? USUAL_KMH;
  const gradePct = verdict.known.brief.hillGradePct.value;
  const input = useMemo(() => {
    if (road === undefined) return undefined;
    // No faster than the machine goes: beyond that no power is asked.
    const speeds = Array.from({ length: SPEEDS }, (_, i) => kmhToMs(top) * ((i + 1) / SPEEDS));
    return { build: document, asked: { road, times, speeds, gradePct } };
  }, [document, road, times, top, gradePct]);
  const studied = useStudy('heat', input);
  if (road === undefined) return <RoadWaits unread={unread} />;
  return (
    <Studying {...studied} waiting="Warming the motor…">
      {({ curves, repeated, thermal, unheldAfter }) => (
        <>
          <ContinuousPanel curves={curves} />
          <RepeatPanel repeated={repeated} thermal={thermal} road={road} times={times} onTimes={setTimes} />
          <GivesBack repeated={repeated} />
          <LastsLine unheldAfter={unheldAfter} thermal={thermal} />
        </>
      )}
    </Studying>
  );
}

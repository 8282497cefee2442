import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { formatNumber, shownUnit, unitText, convert, type Verdict } from '@apple-cart/core';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { energyChart, rangeChart } from '../../charts/range-chart.ts';
import { FieldGroup, WorkedRow } from '../../fields/field-group.tsx';
import { LevelFields } from '../parts/level-fields.tsx';
import { WindAt } from '../parts/wind-at.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { RouteField } from '../../ride/route-field.tsx';
import { figureText } from '../../state/figure-text.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Caution } from '../../ui/caution.tsx';
import { Num } from '../../ui/num.tsx';
import { Stage } from '../parts/stage.tsx';
import { figureOf, useDeferredStage, useStage } from '../parts/use-stage.ts';
import { ViewLinks } from '../parts/view-links.tsx';
import { BandView } from './band-view.tsx';
import { EnergyView } from './energy-view.tsx';
import { HomeView } from './home-view.tsx';
import { LevelsView } from '../parts/levels-view.tsx';
import { RoadView } from './road-view.tsx';
import { keptOnRoad, useRangeRides, type RangeRides } from './use-range-road.ts';
import { RANGE_VIEWS, type RangeView } from '../../screens/range-views.ts';

/** From the label's watt-hours to those of the ride, as a ledger. */
function EnergyLedger({ verdict }: { verdict: Verdict }) {
  const { rested, cruise } = verdict.range;
  const run = rested.holds ? rested : cruise;
  const { energyWh } = verdict.power;
  if (!run.holds) return null;
  const reserve = verdict.known.brief.reservePct.value / 100;
  const labelled = verdict.known.packs.flatMap((pack) => [pack.nominalV, pack.capacityAh]);
  const row = (label: string, wh: number, sum = false) => (
    <WorkedRow label={label} unit="Wh" sum={sum} from={labelled}>
      <Num text={formatNumber(wh, 0)} places={3} />
    </WorkedRow>
  );
  return (
    <FieldGroup title="Usable energy" note={rested.holds ? 'legs resting' : 'rider helping'}>
      {row('On the label', energyWh)}
      {row('Age, cold, cut-off', run.usedWh - energyWh)}
      {row('Taken to the end', run.usedWh, true)}
      {row('Reserve kept', -run.usedWh * reserve)}
      {row('For the ride', run.usedWh * (1 - reserve), true)}
      <p className="py-1.5 text-[12.5px] text-ink2">
        Ends at {formatNumber(run.endCharge * 100, 0)} % charge by {verdict.study.limitNames[run.ends]}.
      </p>
    </FieldGroup>
  );
}

/** Views of a level road, on which nothing is ridden metre by metre. */
const LEVEL_ROAD: ReadonlySet<RangeView> = new Set(['speed', 'levels']);

function Inputs({ view }: { view: RangeView }) {
  const { document, verdict } = useStage();
  const { headwindMs, windFromDeg } = verdict.known.brief;
  const level = LEVEL_ROAD.has(view) || document.brief.rangeRoute === '';
  return (
    <>
      {view === 'levels' && (
        <FieldGroup title="Levels of help">
          <LevelFields />
        </FieldGroup>
      )}
      {!LEVEL_ROAD.has(view) && (
        <FieldGroup title="The road">
          <RouteField which="rangeRoute" none="level road" />
        </FieldGroup>
      )}
      <FieldGroup title="The ride">
        <NumberField path="brief.cruiseSpeedKmh" label="Cruising speed" />
        <NumberField path="brief.distanceKm" />
        <NumberField path="brief.reservePct" />
        <NumberField path="brief.riderPowerW" />
        <NumberField path="brief.temperatureC" />
        <NumberField path="brief.headwindMs" label={level ? 'Headwind' : 'Wind'} />
        <WindAt />
        {LEVEL_ROAD.has(view) ? (
          <NumberField path="brief.altitudeM" />
        ) : (
          <>
            {!level && <NumberField path="brief.windFromDeg" />}
            {!level && windFromDeg.source === 'unknown' && headwindMs.value !== 0 && (
              <p className="py-1.5 text-[12.5px] text-ink2">
                From where it comes is not said: the road is ridden in the mean of all sides.
              </p>
            )}
            {!level && <NumberField path="brief.groundPct" />}
            <NumberField path="brief.descentKmh" />
          </>
        )}
      </FieldGroup>
      <FieldGroup title="The charge">
        <NumberField path="packs.0.capacityAh" />
        <NumberField path="packs.0.healthPct" />
        <NumberField path="packs.0.chargeLimitPct" />
      </FieldGroup>
      <FieldGroup title="What holds it back">
        <NumberField path="donor.cdaM2" />
        <NumberField path="donor.crr" />
        <NumberField path="donor.pressurePct" />
      </FieldGroup>
      {view === 'speed' && <EnergyLedger verdict={verdict} />}
      <Caution>Turn back at half of the near end: cold, wind and an old pack shorten every range.</Caution>
    </>
  );
}

/** Range and energy against a steady speed on the level. */
function SpeedView() {
  const { document, verdict, pinned } = useDeferredStage();
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const { chart, plannedKm } = verdict.range;
  const { cruiseSpeedKmh, distanceKm } = verdict.known.brief;
  const pinnedPoints = pinned?.range.chart;
  const input = useMemo(
    () => ({
      points: chart,
      pinned: pinnedPoints,
      cruiseKmh: cruiseSpeedKmh.value,
      wantedKm: distanceKm.value,
      planned: plannedKm,
      system,
    }),
    [chart, pinnedPoints, cruiseSpeedKmh.value, distanceKm.value, plannedKm, system],
  );
  const range = useMemo(() => rangeChart(input, ink), [input, ink]);
  const energy = useMemo(() => energyChart(input, ink), [input, ink]);
  const speedUnit = shownUnit('km/h', system);
  const distance = shownUnit('km', system);
  const perDistance = shownUnit('Wh/km', system);
  const km = (value: number): number => convert(value, 'km', distance);
  const wh = (value: number): number => convert(value, 'Wh/km', perDistance);
  const speed = (value: number): number => convert(value, 'km/h', speedUnit);
  if (chart.length === 0) {
    return (
      <p className="py-6 text-ink2">
        The machine does not hold a riding speed on the level: there is no range to draw. Look at Drive and
        Power.
      </p>
    );
  }
  const figure = figureText(figureOf(verdict, 'range'), system);
  return (
    <>
      <ChartPanel
        title={
          plannedKm === undefined
            ? 'The cruising speed is not held'
            : `Plan on ${figure.value} ${figure.unit}`
        }
        note={`level road, ${figure.condition}`}
        summary={`Planned range against speed. ${figure.value} ${figure.unit} ${figure.condition}.`}
        name={`${document.name} range`}
        option={range}
        height="h-[300px] max-tablet:h-[270px]"
        table={{
          columns: [
            { name: `Speed, ${unitText(speedUnit)}`, digits: 1 },
            { name: `Near end, ${distance}`, digits: 1 },
            { name: `Far end, ${distance}`, digits: 1 },
          ],
          rows: chart.map((p) => [speed(p.kmh), km(p.nearKm), km(p.farKm)]),
        }}
      />
      <ChartPanel
        title="Energy against speed"
        note="air takes its share with the square of the speed"
        summary="Energy per distance against speed, rider helping and legs resting."
        name={`${document.name} energy`}
        option={energy}
        height="h-[210px] max-tablet:h-[220px]"
        table={{
          columns: [
            { name: `Speed, ${unitText(speedUnit)}`, digits: 1 },
            { name: `Rider helping, ${perDistance}`, digits: 1 },
            { name: `Legs resting, ${perDistance}`, digits: 1 },
          ],
          rows: chart.map((p) => [
            speed(p.kmh),
            wh(p.helpedWhPerKm),
            p.restedWhPerKm === undefined ? 'not held' : wh(p.restedWhPerKm),
          ]),
        }}
      />
      <ul className="pt-1 text-[12.5px] text-ink2">
        {verdict.range.leftOut.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </>
  );
}

function Picture({ view, rides }: { view: RangeView; rides: RangeRides }) {
  switch (view) {
    case 'speed':
      return <SpeedView />;
    case 'levels':
      return <LevelsView />;
    case 'road':
      return <RoadView rides={rides} />;
    case 'band':
      return <BandView />;
    case 'home':
      return <HomeView />;
    case 'energy':
      return <EnergyView rides={rides} />;
  }
}

const WORD = { fine: 'Enough', look: 'Just enough', stop: 'Too short', unknown: 'Unknown' } as const;

/** The stamp of the views that ride a road: what may be planned on there, against what is wanted. */
function useRoadStamp(rides: RangeRides) {
  const { verdict } = useStage();
  const shown = useQuantity();
  const wantedKm = verdict.known.brief.distanceKm.value;
  const kept = keptOnRoad(rides, wantedKm);
  if (kept === undefined) return undefined;
  const [far, wanted] = [shown(kept.km, 'km', 0), shown(wantedKm, 'km', 0)];
  return {
    state: kept.state,
    word: kept.hot && kept.km >= wantedKm ? 'Too hot' : WORD[kept.state],
    under: `${far.text} ${far.unit} on ${kept.name}, ${wanted.text} wanted`,
  } as const;
}

/** How far and how sure: at a steady speed, on a road, as a band, home again, and where the energy goes. */
export function RangeStage() {
  const { document, verdict } = useStage();
  const shown = useQuantity();
  const system = useSettings((state) => state.units);
  const figure = figureOf(verdict, 'range');
  const { value, unit } = figureText(figure, system);
  const wanted = shown(verdict.known.brief.distanceKm.value, 'km', 0);
  const [params] = useSearchParams();
  const view = RANGE_VIEWS.find((v) => v.id === params.get('view'))?.id ?? 'speed';
  const rides = useRangeRides(!LEVEL_ROAD.has(view));
  const onRoad = useRoadStamp(rides);
  const steady = {
    state: figure.state,
    word: figure.value === undefined ? 'Not held' : WORD[figure.state],
    // Beside a road that is chosen it has to be said which of the two this is.
    under:
      figure.value === undefined
        ? 'the speed wanted'
        : `${value} ${unit}${document.brief.rangeRoute === '' ? '' : ' on the level'}, ${wanted.text} wanted`,
  };
  return (
    <Stage
      id="range"
      pictureFirst
      stamp={LEVEL_ROAD.has(view) ? steady : (onRoad ?? steady)}
      views={<ViewLinks label="Views of the range stage" views={RANGE_VIEWS} view={view} />}
      inputs={<Inputs view={view} />}
      picture={<Picture view={view} rides={rides} />}
    />
  );
}

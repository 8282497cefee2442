import { useSearchParams } from 'react-router';
import type { RideKept } from '@apple-cart/core';
import { ROAD_VIEWS, type RoadView } from '../../screens/road-views.ts';
import { capital } from '../../ui/capital.ts';
import { Stage } from '../parts/stage.tsx';
import { ViewLinks } from '../parts/view-links.tsx';
import { OutboxNotice } from '../parts/outbox-notice.tsx';
import { BatteryInputs, BatteryPicture } from './battery-view.tsx';
import { BringIn } from './bring-in.tsx';
import { FaultInputs } from './fault-inputs.tsx';
import { FaultPicture } from './fault-picture.tsx';
import { LogRide } from './log-ride.tsx';
import { LearnInputs, LearnPicture } from './learn-view.tsx';
import { useLearning } from './use-learn.ts';
import { RideView } from './ride-view.tsx';
import { RidesList } from './rides-list.tsx';
import { SimulateRide } from './simulate-ride.tsx';
import { UpkeepInputs, UpkeepPicture } from './upkeep-view.tsx';
import { useRideBeside, useRoadBook, type Road } from './use-road.ts';

function stampOf({ stands, records }: Road) {
  const { rides, compared, off, state } = stands;
  if (rides === 0)
    return {
      state: 'unknown',
      word: records.ready ? 'No rides yet' : 'Reading',
      under: 'nothing to hold the plan against',
    } as const;
  const count = `${String(rides)} ${rides === 1 ? 'ride' : 'rides'}`;
  if (compared === 0)
    return { state, word: count, under: 'none of their energies can be held against the plan' };
  const by = `${String(Math.round(Math.abs(100 * off)))} %`;
  const holds = Math.abs(off) <= 0.03;
  const side = off > 0 ? 'hopeful' : 'fearful';
  return {
    state,
    word: holds ? 'The plan holds' : `${by} ${side}`,
    under: `${count}, ${String(compared)} held against the plan`,
  };
}

type OfRoad = (props: { road: Road }) => React.ReactNode;

/** Views that need nothing but the road book. */
const PLAIN_VIEWS: Readonly<
  Partial<Record<RoadView, { readonly inputs: OfRoad; readonly picture: OfRoad }>>
> = {
  upkeep: { inputs: UpkeepInputs, picture: UpkeepPicture },
  faults: { inputs: FaultInputs, picture: FaultPicture },
};

/** What was really ridden, charged and looked after, and what the plan said of it. */
export function RoadStage() {
  const road = useRoadBook();
  const [params, setParams] = useSearchParams();
  const learning = useLearning(road);
  const view: RoadView = ROAD_VIEWS.find((v) => v.id === params.get('view'))?.id ?? 'rides';
  const doing = params.get('do');
  const pack = Math.min(road.document.packs.length, Math.max(1, Number(params.get('pack') ?? '1') || 1)) - 1;
  const inHand = road.rides.find((r) => r.first === params.get('ride')) ?? road.rides[0];
  // Rides that came in without having been held against the plan are, one after the other.
  useRideBeside(
    road,
    road.rides.find((r) => r.told === undefined && !(view === 'rides' && r.first === inHand?.first)),
  );
  const go = (next: Readonly<Record<string, string>>): void => {
    setParams(new URLSearchParams({ view, ...next }), { replace: true });
  };
  const toRide = (key: string | undefined): void => {
    go(key === undefined ? {} : { ride: key });
  };
  const plain = PLAIN_VIEWS[view];
  const inputs = (): React.ReactNode => {
    if (view === 'battery')
      return (
        <BatteryInputs
          road={road}
          pack={pack}
          onPack={(next) => {
            go({ pack: String(next + 1) });
          }}
        />
      );
    if (plain !== undefined) return <plain.inputs road={road} />;
    if (view === 'learn') return <LearnInputs road={road} learning={learning} />;
    if (doing === 'log' || (doing === 'edit' && inHand !== undefined)) {
      const corrects = doing === 'edit' ? inHand : undefined;
      return (
        <LogRide
          key={corrects?.key ?? 'new'}
          road={road}
          corrects={corrects}
          onDone={(key) => {
            toRide(corrects?.first ?? key);
          }}
        />
      );
    }
    return (
      <RidesList
        road={road}
        inHand={inHand}
        onPick={(ride: RideKept) => {
          toRide(ride.first);
        }}
        onLog={() => {
          go({ do: 'log' });
        }}
        onBringIn={() => {
          go({ do: 'bring-in' });
        }}
        onSimulate={() => {
          go({ do: 'simulate' });
        }}
      />
    );
  };
  const picture = (): React.ReactNode => {
    if (view === 'battery') return <BatteryPicture road={road} pack={pack} />;
    if (plain !== undefined) return <plain.picture road={road} />;
    if (view === 'learn') return <LearnPicture learning={learning} />;
    return inHand === undefined ? null : (
      <RideView
        key={inHand.first}
        road={road}
        kept={inHand}
        onEdit={() => {
          go({ ride: inHand.first, do: 'edit' });
        }}
      />
    );
  };
  const stamp = stampOf(road);
  return (
    <>
      <Stage
        id="road"
        left={view === 'learn' ? 'narrow' : 'usual'}
        stamp={{ ...stamp, word: capital(stamp.word) }}
        views={
          <>
            <ViewLinks label="Views of the road" views={ROAD_VIEWS} view={view} />
            {view === 'rides' && doing === null && (
              <div className="mx-6 max-tablet:mx-3">
                <OutboxNotice build={road.build} broken={road.records.broken} />
              </div>
            )}
          </>
        }
        inputs={inputs()}
        picture={picture()}
      />
      <BringIn
        key={`bring-in ${String(doing === 'bring-in')}`}
        road={road}
        open={doing === 'bring-in'}
        onClose={() => {
          toRide(inHand?.first);
        }}
        onDone={toRide}
      />
      <SimulateRide
        key={`simulate ${String(doing === 'simulate')}`}
        road={road}
        open={doing === 'simulate'}
        onClose={() => {
          toRide(inHand?.first);
        }}
        onDone={toRide}
      />
    </>
  );
}

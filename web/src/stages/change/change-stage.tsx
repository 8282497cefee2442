import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import {
  changeStands,
  clipped,
  formatNumber,
  leaderOf,
  moneyText,
  trialsOf,
  type Changed,
} from '@apple-cart/core';
import { CHANGE_VIEWS, type ChangeView } from '../../screens/change-views.ts';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { useOnTrial } from '../../state/on-trial.ts';
import { useRecords } from '../../state/records.ts';
import { OutboxNotice } from '../parts/outbox-notice.tsx';
import { Stage } from '../parts/stage.tsx';
import { ViewLinks } from '../parts/view-links.tsx';
import { CompareView } from './compare-view.tsx';
import { GainInputs } from './gain-inputs.tsx';
import { GainPicture } from './gain-view.tsx';
import { RejectedInputs, TrialsPicture } from './history-view.tsx';
import { MovesInputs, MovesPicture, useMoving } from './moves-view.tsx';
import { SameRoad } from './same-road.tsx';
import { SearchInputs } from './search-inputs.tsx';
import { SearchPicture } from './search-view.tsx';
import { StatesTable } from './states-table.tsx';
import { useSideRows } from './side-table.tsx';
import { TrialStrip } from './trial-strip.tsx';
import { useSides } from './use-contestants.ts';
import { useGaining, type Gaining } from './use-gains.ts';
import { useShelfSearch, type Searching } from './use-search.ts';

type Stamped = Parameters<typeof Stage>[0]['stamp'];

/** The ticked steps in a word: the class that they leave it in, what they cost. */
function jointStamp(joint: Changed, count: number, currency: string): Stamped {
  const { classState, className } = joint.is;
  const stays = joint.classRisk === 'stays';
  return {
    state: joint.left.length + joint.newStops.length > 0 ? 'stop' : classState,
    word: stays ? `Still ${className}` : className,
    under: `${String(count)} ${count === 1 ? 'step' : 'steps'}, ${moneyText(joint.allIn.cost, currency)} all in`,
  };
}

function useChanging() {
  const document = useDocument();
  const build = useBuild((state) => state.id) ?? '';
  const records = useRecords(build);
  const trials = useMemo(() => trialsOf(records.records), [records]);
  return { document, build, records, trials };
}

/** What a next step would gain, which builds the shelf could make, and what was changed. */
export function ChangeStage() {
  const [params] = useSearchParams();
  const view: ChangeView = CHANGE_VIEWS.find((v) => v.id === params.get('view'))?.id ?? 'gain';
  switch (view) {
    case 'gain':
      return <Gain />;
    case 'search':
      return <Search />;
    case 'compare':
      return <Compare />;
    case 'moves':
      return <Moves />;
    case 'history':
      return <History />;
  }
}

function Head({ view }: { view: ChangeView }) {
  const { build, document, records } = useChanging();
  return (
    <>
      <ViewLinks label="Views of the changes" views={CHANGE_VIEWS} view={view} />
      <div className="mx-6 max-tablet:mx-3">
        <TrialStrip build={build} document={document} />
        <OutboxNotice build={build} broken={records.broken} />
      </div>
    </>
  );
}

/** The stamp where nothing is ticked: what was tried. */
function useStands(): Stamped {
  const { build, trials } = useChanging();
  const onTrial = useOnTrial((state) => state.trials[build]);
  const stands = changeStands(trials);
  if (onTrial !== undefined) return { state: 'look', word: 'On trial', under: 'kept or taken back by hand' };
  return stands === undefined
    ? { state: 'unknown', word: 'Nothing tried', under: 'the plan is as it was made' }
    : { state: 'fine', word: `${String(trials.length)} tried`, under: stands.words };
}

function stampOf(gaining: Gaining, otherwise: Stamped): Stamped {
  const { joint, ids, document } = gaining;
  if (ids.length === 0 || joint.value === undefined) return otherwise;
  return jointStamp(joint.value, ids.length, document.money.currency);
}

function Gain() {
  const gaining = useGaining();
  const stands = useStands();
  const stamp = stampOf(gaining, stands);
  return (
    <Stage
      id="change"
      left="slim"
      {...(stamp === undefined ? {} : { stamp })}
      views={<Head view="gain" />}
      inputs={<GainInputs gaining={gaining} />}
      picture={<GainPicture gaining={gaining} />}
    />
  );
}

/** How many stand, of how many. */
function searchStamp({ search }: Searching): Stamped {
  if (search === undefined) return { state: 'unknown', word: 'Not searched', under: 'the shelf is there' };
  const { looked, stand } = search.counts;
  const none = stand === 0 && search.state === 'done';
  return {
    state: none ? 'stop' : 'fine',
    word: `${formatNumber(stand, 0)} stand`,
    under: `of ${formatNumber(looked, 0)} looked at${search.state === 'looking' ? ' so far' : ''}`,
  };
}

function Search() {
  const searching = useShelfSearch();
  const stamp = searchStamp(searching);
  return (
    <Stage
      id="change"
      left="narrow"
      {...(stamp === undefined ? {} : { stamp })}
      views={<Head view="search" />}
      inputs={<SearchInputs searching={searching} />}
      picture={<SearchPicture searching={searching} />}
    />
  );
}

function Compare() {
  const sides = useSides();
  const { differ } = useSideRows(sides.sides);
  const lead = sides.sides.length < 2 ? undefined : leaderOf(differ);
  const name = lead === undefined ? '' : (sides.sides[lead.index]?.name ?? '');
  return (
    <Stage
      id="change"
      stamp={
        lead === undefined
          ? { state: 'unknown', word: `${String(sides.sides.length)} side by side`, under: 'none leads' }
          : {
              state: 'fine',
              word: `${clipped(name, 16)} leads`,
              under: `best or level in ${String(lead.best)} of ${String(lead.of)} that differ`,
            }
      }
      views={<Head view="compare" />}
      whole={<CompareView {...sides} />}
    />
  );
}

function Moves() {
  const moving = useMoving();
  const stamp = useStands();
  return (
    <Stage
      id="change"
      left="narrow"
      {...(stamp === undefined ? {} : { stamp })}
      views={<Head view="moves" />}
      inputs={<MovesInputs moving={moving} />}
      picture={<MovesPicture moving={moving} />}
    />
  );
}

function History() {
  const { document, build, trials, records } = useChanging();
  const stamp = useStands();
  return (
    <Stage
      id="change"
      {...(stamp === undefined ? {} : { stamp })}
      views={<Head view="history" />}
      inputs={<RejectedInputs build={build} document={document} />}
      picture={
        <>
          <TrialsPicture trials={trials} />
          <SameRoad records={records.records} />
          <StatesTable build={build} now={document} />
        </>
      }
    />
  );
}

import { firstOf, leftOverRows, type State } from '@apple-cart/core';
import { useSearchParams } from 'react-router';
import { WIRE_VIEWS, type WireView } from '../../screens/wire-views.ts';
import { NO_NOTES, useBenchNotes } from '../../state/bench-notes.ts';
import { useBuild } from '../../state/build-store.ts';
import { Stage } from '../parts/stage.tsx';
import { ViewLinks } from '../parts/view-links.tsx';
import { BicyclePicture } from './bicycle-view.tsx';
import { CableList } from './cable-list.tsx';
import { DiagramPicture } from './diagram-view.tsx';
import { FindInputs, FindPicture } from './find-view.tsx';
import { LeftOverInputs, LeftOverPicture } from './left-over-view.tsx';
import { PhasesInputs, PhasesPicture } from './phases-view.tsx';
import { PinsInputs } from './pin-halves.tsx';
import { PinsPicture } from './pins-view.tsx';
import { ScheduleInputs, SchedulePicture } from './schedule-view.tsx';
import { useWiring, type WiringData } from './use-wiring.ts';

interface Shown {
  readonly view: WireView;
  readonly data: WiringData;
  readonly notes: typeof NO_NOTES;
  readonly note: (next: Partial<typeof NO_NOTES>) => void;
}

function Inputs({ view, data, notes, note }: Shown) {
  switch (view) {
    case 'pins':
      return <PinsInputs data={data} />;
    case 'diagram':
    case 'bicycle':
      return (
        <>
          <CableList {...data} />
          <ScheduleInputs data={data} />
        </>
      );
    case 'schedule':
      return <ScheduleInputs data={data} />;
    case 'left-over':
      return <LeftOverInputs data={data} />;
    case 'find':
      return (
        <FindInputs
          data={data}
          search={notes.search}
          onSearch={(search) => {
            note({ search });
          }}
        />
      );
    case 'phases':
      return <PhasesInputs notes={notes} note={note} />;
  }
}

function Picture({ view, data, notes, note }: Shown) {
  switch (view) {
    case 'pins':
      return <PinsPicture data={data} />;
    case 'diagram':
      return <DiagramPicture data={data} />;
    case 'bicycle':
      return <BicyclePicture data={data} />;
    case 'schedule':
      return <SchedulePicture data={data} />;
    case 'left-over':
      return <LeftOverPicture data={data} />;
    case 'find':
      return (
        <FindPicture
          data={data}
          search={notes.search}
          onSearch={(search) => {
            note({ search });
          }}
        />
      );
    case 'phases':
      return <PhasesPicture notes={notes} note={note} />;
  }
}

/** The sheet's answer: the worst of the plug pairs, and how many match. */
function stampOf({ wiring, document }: WiringData): {
  readonly state: State;
  readonly word: string;
  readonly under: string;
} {
  const { wires } = wiring;
  const bad = wires.filter((w) => w.plugState === 'stop').map((w) => `P${String(w.cable.number)}`);
  const hanging = leftOverRows(document).filter(({ state }) => state === 'stop').length;
  const open = wires.filter((w) => w.plugState === 'unknown').length;
  const good = wires.filter((w) => w.plugState === 'fine').length;
  const under = `${String(good)} of ${String(wires.length)} plug pairs match`;
  return firstOf(
    [
      [
        bad.length + hanging > 0,
        {
          state: 'stop',
          word: `${String(bad.length + hanging)} amiss`,
          // A stamp is one line: what hangs is named in its own view.
          under: [bad.join(', '), hanging > 0 ? `${String(hanging)} left over` : under]
            .filter((part) => part !== '')
            .join('; '),
        },
      ],
      [open > 0, { state: 'unknown', word: `${String(open)} not looked at`, under }],
    ],
    { state: 'fine', word: 'All match', under },
  );
}

/** Every lead, plug and pin: face to face, drawn, by length, and found where nobody has written them down. */
export function WireStage() {
  const data = useWiring();
  const [params] = useSearchParams();
  const view = WIRE_VIEWS.find((v) => v.id === params.get('view'))?.id ?? 'pins';
  const id = useBuild((state) => state.id) ?? '';
  const notes = useBenchNotes((state) => state.byBuild[id]) ?? NO_NOTES;
  const keep = useBenchNotes((state) => state.note);
  const shown: Shown = {
    view,
    data,
    notes,
    note: (next) => {
      keep(id, next);
    },
  };
  return (
    <Stage
      id="wire"
      stamp={stampOf(data)}
      views={<ViewLinks label="Views of the wiring stage" views={WIRE_VIEWS} view={view} />}
      inputs={<Inputs {...shown} />}
      picture={<Picture {...shown} />}
    />
  );
}

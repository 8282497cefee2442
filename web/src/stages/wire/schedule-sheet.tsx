import {
  faced,
  layingOfAll,
  worksOf,
  type BuildDocument,
  type Port,
  type Wire,
  type Wiring,
} from '@apple-cart/core';
import { PrintPage } from '../../paper/print-page.tsx';
import { useVerdict } from '../../state/use-verdict.ts';
import { colourName } from './colours.tsx';
import { Drawing } from './diagram-drawing.tsx';
import { sheetsOf } from './diagram-sheets.ts';
import { LeftOverTable } from './left-over-view.tsx';
import { PlugFaces } from './plug-faces.tsx';
import { CutList, ScheduleTable } from './schedule-table.tsx';
import { useLayout } from './use-layout.ts';
import { SEX_NAMES } from './use-port.ts';

/** Flags for both ends of every cable, to cut out and fold over. */
function Labels({ build }: { build: BuildDocument }) {
  const { wiring } = useVerdict(build);
  const name = (id: string): string => wiring.components.find((c) => c.id === id)?.name ?? id;
  return (
    <div className="grid grid-cols-4 gap-1.5 pt-2 max-tablet:grid-cols-2">
      {wiring.wires.flatMap(({ cable }) =>
        [cable.fromComponent, cable.toComponent].map((end, i) => (
          <p
            key={`${cable.key} ${String(i)}`}
            className="keep-together border border-dashed border-ink3 px-1.5 py-1 text-[11px] leading-tight"
          >
            <b className="num text-[13px]">
              W{cable.number}
              {i === 0 ? 'a' : 'b'}
            </b>{' '}
            {cable.carries}
            <span className="block">at {name(end)}</span>
          </p>
        )),
      )}
    </div>
  );
}

/** What each pin of a pair carries on both sides, with both faces. */
function PinByPin({ wire, wiring }: { wire: Wire; wiring: Wiring }) {
  const { cable, plug } = wire;
  const works = worksOf(wiring.pack);
  const name = (id: string): string => wiring.components.find((c) => c.id === id)?.name ?? id;
  const across = faced(cable);
  const carries = (half: Port, pin: Port['pins'][number]): string =>
    `${works[pin.work].name}${half.seen ? '' : '?'} (${colourName(pin.colour)})`;
  return (
    <section className="keep-together grid grid-cols-[minmax(0,1fr)_300px] gap-x-4 border-b border-hair pt-2 max-tablet:grid-cols-1 print:grid-cols-[minmax(0,1fr)_300px]">
      <div>
        <h3 className="text-[13px] font-semibold">
          P{cable.number}, {cable.carries}
          {cable.spec.adapter === true ? ', through an adapter' : ''}
        </h3>
        <ul className="text-[12.5px] leading-snug">
          {cable.from.pins.map((p, i) => {
            const at = across[i];
            const other = at === undefined ? undefined : cable.to.pins[at];
            return (
              <li key={i}>
                <b className="num">{i + 1}</b> {carries(cable.from, p)} to{' '}
                {other === undefined ? 'nothing' : carries(cable.to, other)}
              </li>
            );
          })}
        </ul>
        {plug.map((f) => (
          <p key={`${f.rule} ${f.pins.join()}`} className="text-[12.5px] font-semibold">
            {f.words} {f.remedy}
          </p>
        ))}
      </div>
      <PlugFaces
        wire={wire}
        names={[
          `${name(cable.fromComponent)}, ${SEX_NAMES[cable.from.sex]}`,
          `${name(cable.toComponent)}, ${SEX_NAMES[cable.to.sex]}`,
        ]}
      />
    </section>
  );
}

function Sheet({ build }: { build: BuildDocument }) {
  const { wiring } = useVerdict(build);
  return (
    <article data-testid="schedule-sheet">
      <h1 className="head border-b-2 border-ink pb-1 text-[26px] font-extrabold">Cable schedule</h1>
      <p className="py-1 text-[14px]">
        {build.name}
        {build.job === '' ? '' : `, job ${build.job}`}. Battery out before a plug is parted or joined.
      </p>
      <ScheduleTable data={{ wiring, wire: undefined }} />
      <h2 className="head border-b-[1.5px] border-ink pt-4 pb-0.5 text-[16px]">Pin by pin</h2>
      <p className="pt-1 text-[12.5px] text-ink2">
        Faces as one looks into the open plug, latch or notch up; what nobody has looked at is drawn and named
        as it usually is.
      </p>
      {wiring.wires.map((wire) => (
        <PinByPin key={wire.cable.key} wire={wire} wiring={wiring} />
      ))}
      {Object.keys(build.harness.leftOver).length > 0 && (
        <>
          <h2 className="head border-b-[1.5px] border-ink pt-4 pb-0.5 text-[16px]">
            Plugs left over at the controller
          </h2>
          <LeftOverTable build={build} />
        </>
      )}
      <h2 className="head border-b-[1.5px] border-ink pt-4 pb-0.5 text-[16px]">Cut list</h2>
      <CutList wiring={wiring} />
      <h2 className="head border-b-[1.5px] border-ink pt-4 pb-0.5 text-[16px]">How they are laid</h2>
      <ul className="text-[12.5px] leading-snug">
        {layingOfAll(build, wiring.wires).map(({ id, words, cables }) => (
          <li key={id} className="border-b border-hair py-1">
            {words} <span className="num text-ink2">{cables.map((n) => `W${String(n)}`).join(' ')}</span>
          </li>
        ))}
      </ul>
      <h2 className="head border-b-[1.5px] border-ink pt-4 pb-0.5 text-[16px]">Labels for both ends</h2>
      <Labels build={build} />
      <Diagram build={build} />
    </article>
  );
}

/** The diagram on sheets of its own, laid across; as many as keep its letters readable. */
function Diagram({ build }: { build: BuildDocument }) {
  const { wiring } = useVerdict(build);
  const { graph, why } = useLayout(wiring);
  if (graph === undefined)
    return (
      <p role="status" className="py-2">
        {why ?? 'The diagram is being laid out.'}
      </p>
    );
  return sheetsOf(graph).map((part) => (
    <section key={part.name} className="sheet-across pt-4">
      <h2 className="head border-b-[1.5px] border-ink pb-0.5 text-[16px]">{part.name}</h2>
      <Drawing graph={graph} wiring={wiring} picked={undefined} onPick={() => undefined} part={part} />
    </section>
  ));
}

/** Cables, pins, cut list and labels on paper. */
export function ScheduleSheet() {
  return (
    <PrintPage
      title="Cable schedule"
      back={{ to: 'wire?view=schedule', words: 'Back to the cables' }}
      width="sheet"
    >
      {(build) => <Sheet build={build} />}
    </PrintPage>
  );
}

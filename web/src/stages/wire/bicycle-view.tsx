import { PanelHead } from '../../ui/panel.tsx';
import { Silhouette, scaleInto } from '../../drawing/silhouette.tsx';
import { useStage } from '../parts/use-stage.ts';
import type { WiringData } from './use-wiring.ts';

const [WIDTH, HEIGHT] = [628, 400];
const WEIGHT = { power: 3, phase: 2.2, signal: 1.1 } as const;

/** The cables along the scale drawing: each follows the tubes from part to part; the one in hand stands out. */
export function BicyclePicture({ data }: { data: WiringData }) {
  const { document, verdict } = useStage();
  const { wiring, wire } = data;
  const drawn = wiring.wires.filter((w) => w.run.way.length > 1);
  const measured = wiring.wires.filter((w) => w.run.alongFrom === 'measured');
  const scale = Math.min(0.3, scaleInto(document, verdict, WIDTH));
  return (
    <section aria-label="On the bicycle">
      <PanelHead
        title={
          wire === undefined
            ? 'On the bicycle'
            : `W${String(wire.cable.number)}, ${wire.cable.carries}: ${wire.run.cut.toFixed(0)} mm to cut`
        }
        note={
          wire?.run.alongFrom === 'measured' ? 'measured with a string' : 'along the tubes of the drawing'
        }
      />
      <Silhouette
        build={document}
        verdict={verdict}
        width={WIDTH}
        height={HEIGHT}
        scale={scale}
        over={(at) =>
          [...drawn]
            .sort((a, b) => Number(a.cable.key === wire?.cable.key) - Number(b.cable.key === wire?.cable.key))
            .map((w) => {
              const picked = w.cable.key === wire?.cable.key;
              const d = w.run.way
                .map(
                  (p, i) =>
                    `${i === 0 ? 'M' : 'L'}${at(p)
                      .map((n) => n.toFixed(1))
                      .join(' ')}`,
                )
                .join('');
              return (
                <path
                  key={w.cable.key}
                  d={d}
                  fill="none"
                  strokeLinejoin="round"
                  className={picked ? 'stroke-slate' : 'stroke-look'}
                  strokeOpacity={picked ? 1 : 0.7}
                  strokeWidth={WEIGHT[w.cable.kind] + (picked ? 3 : 0)}
                />
              );
            })
        }
      />
      <p className="pt-2 text-[12.5px] text-ink2">
        Where a cable goes is the shortest way along the tubes; to the bar it is longer by the stem. A string
        along the true way wins: typed under Cable schedule ({measured.length} of {wiring.wires.length}{' '}
        measured).
      </p>
    </section>
  );
}

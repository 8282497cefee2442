import { counted, fileName } from '@apple-cart/core';
import { useRef, useState } from 'react';
import { downloadBlob, downloadText } from '../../files/download.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { Drawing } from './diagram-drawing.tsx';
import { asPng, withStyles } from './diagram-files.ts';
import { useLayout } from './use-layout.ts';
import type { WiringData } from './use-wiring.ts';

/** The diagram, laid out in a worker; drawn by us. */
export function DiagramPicture({ data }: { data: WiringData }) {
  const { wiring, wire, choose, document } = data;
  const box = useRef<HTMLDivElement>(null);
  const [zoom, setZoom] = useState(0.8);
  const bad = wiring.wires.filter((w) => w.plugState === 'stop');
  const { graph, why } = useLayout(wiring);
  const [problem, setProblem] = useState('');
  return (
    <section aria-label="Diagram">
      <PanelHead
        title={`${counted(wiring.wires.length, 'cable')}${bad.length === 0 ? '' : `; ${bad.map((w) => `P${String(w.cable.number)}`).join(', ')} cannot stay so`}`}
        note="lines are ink; the tick has the wire’s colour"
      >
        <Button
          kind="quiet"
          aria-label="Smaller"
          onClick={() => {
            setZoom(Math.max(0.4, zoom / 1.25));
          }}
        >
          −
        </Button>
        <Button
          kind="quiet"
          aria-label="Larger"
          onClick={() => {
            setZoom(Math.min(2.5, zoom * 1.25));
          }}
        >
          +
        </Button>
        <Button
          kind="quiet"
          onClick={() => {
            const svg = box.current?.querySelector('svg') ?? undefined;
            if (svg !== undefined)
              downloadText(fileName(`${document.name} wiring`, 'svg'), withStyles(svg), 'image/svg+xml');
          }}
        >
          SVG
        </Button>
        <Button
          kind="quiet"
          onClick={() => {
            const svg = box.current?.querySelector('svg') ?? undefined;
            if (svg === undefined) return;
            asPng(svg).then(
              (png) => {
                setProblem('');
                downloadBlob(fileName(`${document.name} wiring`, 'png'), png);
              },
              () => {
                setProblem('The picture could not be drawn here: take the SVG.');
              },
            );
          }}
        >
          PNG
        </Button>
      </PanelHead>
      {problem !== '' && (
        <p role="alert" className="py-1 text-stop">
          {problem}
        </p>
      )}
      {why !== undefined && (
        <p role="alert" className="py-2 text-stop">
          {why} The cable schedule holds the same.
        </p>
      )}
      {graph === undefined && why === undefined && (
        <p role="status" className="py-2 text-ink2">
          being laid out…
        </p>
      )}
      <div
        ref={box}
        className="max-h-[620px] overflow-auto border border-hair print:max-h-none"
        tabIndex={0}
        role="region"
        aria-label="Wiring diagram"
      >
        {graph !== undefined && (
          <div style={{ zoom }}>
            <Drawing graph={graph} wiring={wiring} picked={wire?.cable.key} onPick={choose} />
          </div>
        )}
      </div>
      <p className="pt-2 text-[12.5px] text-ink2">
        Thick is power, middle is phase, thin is signal; prong into cup is a plug pair. Letters of colours are
        those of IEC 60757. Nothing is joined to the frame.
      </p>
    </section>
  );
}

import { useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { formatNumber, routeLengthM, totalClimb, type ProfileColumns, clipped } from '@apple-cart/core';
import { ChartPanel } from '../charts/chart-panel.tsx';
import { profileChart } from '../charts/profile-chart.ts';
import { useChartInk } from '../charts/use-chart-ink.ts';
import { ChoiceRow } from '../ride/choice-row.tsx';
import { createRoute } from '../state/routes.ts';
import { useSettings } from '../state/settings-store.ts';
import { useQuantity } from '../state/use-quantity.ts';
import { Button } from '../ui/button.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { ColumnChoice } from './column-choice.tsx';
import type { RoadFile } from '../files/road-file.ts';
import { readFile } from '../work/read-file.ts';
import { useStudy } from '../work/use-study.ts';

type Step =
  | { readonly kind: 'reading'; readonly file: string; readonly abort: AbortController }
  | { readonly kind: 'read'; readonly file: string; readonly read: RoadFile }
  | { readonly kind: 'refused'; readonly file: string; readonly lines: readonly string[] };

/** Widths to smooth over, m; the automatic one follows the noise found. */
const SMOOTH = [
  { value: 'auto', label: 'by its noise' },
  { value: '0', label: 'not at all' },
  { value: '40', label: '40 m' },
  { value: '100', label: '100 m' },
  { value: '200', label: '200 m' },
  { value: '400', label: '400 m' },
] as const;
type Smooth = (typeof SMOOTH)[number]['value'];

const withoutEnding = (file: string): string => clipped(file.replace(/\.[a-z]+$/i, ''), 80);

/** Brings a road in: GPX, a table of distance and elevation, or a route kept earlier. Nothing is stored before it was looked at. */
export function ImportRoute() {
  const input = useRef<HTMLInputElement>(null);
  const [step, setStep] = useState<Step>();
  const close = (): void => {
    if (step?.kind === 'reading') step.abort.abort();
    setStep(undefined);
  };
  const bringIn = async (file: File): Promise<void> => {
    const abort = new AbortController();
    setStep({ kind: 'reading', file: file.name, abort });
    try {
      const read = await readFile('roadFile', file, abort.signal);
      if (abort.signal.aborted) return;
      setStep(
        read.kind === 'refused'
          ? { kind: 'refused', file: file.name, lines: read.lines }
          : { kind: 'read', file: file.name, read },
      );
    } catch (problem) {
      if (abort.signal.aborted) return;
      const words = problem instanceof Error ? problem.message : 'The file could not be read.';
      setStep({ kind: 'refused', file: file.name, lines: [words] });
    }
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".gpx,.csv,.json,application/gpx+xml,text/csv,application/json"
        className="hidden"
        data-testid="import-route"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file !== undefined) void bringIn(file);
        }}
      />
      <Button onClick={() => input.current?.click()}>Bring one in</Button>
      {step?.kind === 'reading' && (
        <Dialog open onClose={close} title="Reading the file" description={step.file}>
          <p role="status" className="pb-3">
            Reading…
          </p>
          <Button onClick={close}>Stop</Button>
        </Dialog>
      )}
      {step?.kind === 'refused' && (
        <Dialog
          open
          onClose={close}
          title="The file cannot be used"
          description={`${step.file}: nothing was stored.`}
        >
          <ul className="list-disc pl-5" data-testid="route-issues">
            {step.lines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </Dialog>
      )}
      {step?.kind === 'read' && <Look file={step.file} read={step.read} onClose={close} />}
    </>
  );
}

/** The name that a file gives its road; empty for one that gives none. */
function nameIn(read: RoadFile): string {
  switch (read.kind) {
    case 'gpx':
      return read.way.name;
    case 'route':
      return read.route.name;
    case 'table':
      return '';
  }
}

/** What would be kept: the road as it would be ridden beside the road as it was read. */
function Look({ file, read, onClose }: { file: string; read: RoadFile; onClose: () => void }) {
  const navigate = useNavigate();
  const shown = useQuantity();
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const first = nameIn(read);
  const [name, setName] = useState(first === '' ? withoutEnding(file) : first);
  const [smooth, setSmooth] = useState<Smooth>(read.kind === 'gpx' ? 'auto' : '0');
  const [columns, setColumns] = useState<ProfileColumns | undefined>(
    read.kind === 'table' ? read.columns : undefined,
  );
  const [trouble, setTrouble] = useState<string>();
  const width = smooth === 'auto' ? undefined : Number(smooth);

  const asked = useMemo(() => ({ file: read, columns, smoothM: width }), [read, columns, width]);
  const { value, busy, why } = useStudy('road', asked);
  const made = value ?? { route: undefined, lines: [], cleaning: undefined, raw: undefined, standing: 0 };
  const { cleaning } = made;
  const option = useMemo(() => {
    if (made.route === undefined) return undefined;
    const { profile } = made.route;
    return profileChart(
      {
        used: { distanceM: profile.map((p) => p.distanceM), elevationM: profile.map((p) => p.elevationM) },
        raw: made.raw,
        system,
      },
      ink,
    );
  }, [made.route, made.raw, system, ink]);
  const keep = async (): Promise<void> => {
    if (made.route === undefined) return;
    try {
      const stored = await createRoute({
        ...made.route,
        name: name.trim() === '' ? withoutEnding(file) : name.trim(),
      });
      onClose();
      void navigate(`/routes/${stored.id}`);
    } catch (problem) {
      setTrouble(problem instanceof Error ? problem.message : 'It could not be stored.');
    }
  };
  const up = made.route === undefined ? 0 : totalClimb(made.route.profile.map((p) => p.elevationM)).upM;
  const metres = (m: number): string => `${shown(m, 'm', 0).text} ${shown(m, 'm', 0).unit}`;
  const noise = shown(cleaning?.noiseM ?? 0, 'm', 1);
  const length = shown(made.route === undefined ? 0 : routeLengthM(made.route) / 1000, 'km', 2);
  return (
    <Dialog open onClose={onClose} title="Is this the road?" description={file} place="side">
      <label className="flex items-center gap-3 border-b border-hair pb-2">
        <span className="w-16">Name</span>
        <input
          className="h-8 flex-1 border-b border-ink3 bg-field px-2 max-bench:h-11"
          value={name}
          maxLength={80}
          onChange={(event) => {
            setName(event.target.value);
          }}
        />
      </label>
      {read.kind === 'table' && columns !== undefined && (
        <ColumnChoice names={read.table.columns} columns={columns} onChange={setColumns} />
      )}
      {read.kind !== 'route' && (
        <div className="border-b border-hair py-2">
          <ChoiceRow label="Smooth the heights" value={smooth} options={SMOOTH} onChange={setSmooth} />
        </div>
      )}
      {made.lines.length > 0 && (
        <ul
          className="my-2 list-disc border-[1.5px] border-stop bg-stop-tint py-2 pr-3 pl-7 text-[13px]"
          data-testid="route-issues"
        >
          {made.lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      {why !== undefined && (
        <p role="alert" className="my-2 border-[1.5px] border-stop bg-stop-tint px-3 py-2">
          The road could not be made: {why}.
        </p>
      )}
      {option !== undefined && made.route !== undefined && (
        <ChartPanel
          title={
            cleaning === undefined
              ? `${length.text} ${length.unit}, up ${metres(up)}`
              : `Up ${metres(cleaning.usedUpM)}; ${metres(cleaning.rawUpM)} as recorded`
          }
          summary={`Elevation over distance, ${length.text} ${length.unit}, climbing ${metres(up)}.`}
          name={name}
          option={option}
          height="h-[240px]"
          table={{
            columns: [
              { name: 'Distance, m', digits: 1 },
              { name: 'Elevation, m', digits: 1 },
            ],
            rows: made.route.profile.map((p) => [p.distanceM, p.elevationM]),
          }}
        />
      )}
      {cleaning !== undefined && read.kind === 'gpx' && (
        <p className="py-2 text-[13px] leading-snug text-ink2" data-testid="cleaning">
          {length.text} {length.unit}, {formatNumber(cleaning.points, 0)} points;{' '}
          {formatNumber(cleaning.spikes, 0)} {cleaning.spikes === 1 ? 'spike' : 'spikes'} taken out, noise
          about {noise.text} {noise.unit}, smoothed over {metres(cleaning.smoothM)}.
          {read.way.withoutElevation > 0 &&
            ` ${formatNumber(read.way.withoutElevation, 0)} points had no elevation and took their neighbour’s.`}
        </p>
      )}
      {made.standing > 0 && (
        <p className="py-2 text-[13px] text-ink2" data-testid="standing">
          {formatNumber(made.standing, 0)} {made.standing === 1 ? 'row does' : 'rows do'} not move on: left
          out.
        </p>
      )}
      {trouble !== undefined && (
        <p role="alert" className="my-2 border-[1.5px] border-stop bg-stop-tint px-3 py-2">
          {trouble}
        </p>
      )}
      <div className="flex gap-3 pt-2">
        <Button kind="go" disabled={made.route === undefined || busy} onClick={() => void keep()}>
          Keep it
        </Button>
        <Button kind="quiet" onClick={onClose}>
          Leave it
        </Button>
      </div>
    </Dialog>
  );
}

import { fileName } from '@apple-cart/core';
import type { EChartsOption } from 'echarts';
import type { EChartsType } from 'echarts/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { downloadText, downloadUrl } from '../files/download.ts';
import { Button } from '../ui/button.tsx';
import { Menu, MenuItem } from '../ui/menu.tsx';
import { PanelHead } from '../ui/panel.tsx';
import type * as Core from './echarts-core.ts';
import { drawInTurn, drawNoMore } from './draw-in-turn.ts';
import { drawOn } from './draw-on.ts';
import { cellText, tableCsv, type ChartTable } from '../files/table-csv.ts';

let loading: Promise<typeof Core> | undefined;
const load = (): Promise<typeof Core> => (loading ??= import('./echarts-core.ts'));

/** One chart: drawn as SVG, resized with its box, drawn anew when its option changes. */
function Chart({
  option,
  label,
  height,
  onView,
}: {
  option: EChartsOption;
  label: string;
  height: string;
  onView: ((from: number, to: number) => void) | undefined;
}) {
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType>(undefined);
  const latest = useRef(option);
  const heard = useRef(onView);
  const [failed, setFailed] = useState(false);

  useEffect(() => {
    latest.current = option;
    heard.current = onView;
    const { current } = chart;
    if (current !== undefined)
      drawInTurn(current, () => {
        drawOn(current, option);
      });
  }, [option, onView]);
  useEffect(() => {
    let gone = false;
    const observer = new ResizeObserver(() => chart.current?.resize());
    void load()
      .then(async ({ init }) => {
        // Labels are measured as they are drawn: the fonts have to be there.
        await document.fonts.ready;
        if (gone || box.current === null) return;
        chart.current = init(box.current, null, { renderer: 'svg' });
        drawOn(chart.current, latest.current);
        observer.observe(box.current);
        chart.current.on('datazoom', () => {
          const shown = chart.current?.getOption()['dataZoom'] as
            | readonly { readonly startValue?: number; readonly endValue?: number }[]
            | undefined;
          const { startValue, endValue } = shown?.[0] ?? {};
          if (startValue !== undefined && endValue !== undefined) heard.current?.(startValue, endValue);
        });
      })
      .catch(() => {
        setFailed(true);
      });
    return () => {
      gone = true;
      observer.disconnect();
      if (chart.current !== undefined) drawNoMore(chart.current);
      chart.current?.dispose();
      chart.current = undefined;
    };
  }, []);

  if (failed)
    return (
      <p role="alert">
        The chart could not be loaded. The table holds the same numbers; reload the page to try again.
      </p>
    );
  return <div ref={box} role="img" aria-label={label} className={`w-full ${height}`} data-chart />;
}

async function picture(option: EChartsOption, kind: 'svg' | 'canvas', background: string): Promise<string> {
  const { init } = await load();
  const box = document.createElement('div');
  const chart = init(box, null, { renderer: kind, width: 960, height: 480 });
  try {
    drawOn(chart, { ...option, backgroundColor: background });
    return chart.getDataURL({
      type: kind === 'svg' ? 'svg' : 'png',
      pixelRatio: 2,
      backgroundColor: background,
    });
  } finally {
    chart.dispose();
  }
}

function Table({ table, caption }: { table: ChartTable; caption: string }) {
  return (
    <div
      className="max-h-[340px] overflow-auto border border-rule"
      tabIndex={0}
      role="region"
      aria-label={caption}
    >
      <table className="w-full border-collapse text-[13.5px]">
        <caption className="sr-only">{caption}</caption>
        <thead>
          <tr>
            {table.columns.map((column) => (
              <th
                key={column.name}
                scope="col"
                className="sticky top-0 border-b-[1.5px] border-ink bg-sheet px-2 py-1 text-right font-semibold"
              >
                {column.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map((row, i) => (
            <tr key={i} className="border-b border-hair">
              {table.columns.map((column, j) => (
                <td key={column.name} className="num px-2 py-0.5 text-right">
                  {cellText(row[j], column)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface Props {
  /** States the finding. */
  readonly title: ReactNode;
  readonly note?: string;
  /** The finding in one sentence, for screen readers. */
  readonly summary: string;
  /** Names the files of an export. */
  readonly name: string;
  readonly option: EChartsOption;
  readonly table: ChartTable;
  readonly height?: string;
  /** Told what of the x axis is looked at, for a chart that can be drawn closer. */
  readonly onView?: (from: number, to: number) => void;
  readonly children?: ReactNode;
}

/** A chart with its finding as title, a table of the same data, and export as picture or table. */
export function ChartPanel({
  title,
  note,
  summary,
  name,
  option,
  table,
  height = 'h-[330px] max-tablet:h-[280px]',
  onView,
  children,
}: Props) {
  const [asTable, setAsTable] = useState(false);
  const [undrawn, setUndrawn] = useState(false);
  const paper = (): string => getComputedStyle(document.documentElement).getPropertyValue('--sheet').trim();
  const save = (kind: 'svg' | 'canvas', extension: string) => () => {
    setUndrawn(false);
    picture(option, kind, paper()).then(
      (url) => {
        downloadUrl(fileName(name, extension), url);
      },
      () => {
        setUndrawn(true);
      },
    );
  };
  return (
    <section className="keep-together" aria-label={name}>
      <PanelHead title={title} note={note}>
        {children}
        <Button
          kind="quiet"
          className="no-print h-7! max-bench:h-11!"
          aria-pressed={asTable}
          onClick={() => {
            setAsTable(!asTable);
          }}
        >
          {asTable ? 'Chart' : 'Table'}
        </Button>
        <Menu
          align="end"
          trigger={
            <Button kind="quiet" className="no-print h-7! max-bench:h-11!">
              Export
            </Button>
          }
        >
          <MenuItem onSelect={save('canvas', 'png')}>Picture (PNG)</MenuItem>
          <MenuItem onSelect={save('svg', 'svg')}>Drawing (SVG)</MenuItem>
          <MenuItem
            onSelect={() => {
              downloadText(fileName(name, 'csv'), tableCsv(table), 'text/csv');
            }}
          >
            Table (CSV)
          </MenuItem>
        </Menu>
      </PanelHead>
      {undrawn && (
        <p role="alert" className="py-1 text-stop">
          This browser could not draw the picture. The table holds the same numbers.
        </p>
      )}
      {asTable ? (
        <Table table={table} caption={summary} />
      ) : (
        <Chart option={option} label={summary} height={height} onView={onView} />
      )}
    </section>
  );
}

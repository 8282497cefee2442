import type { SeriesOption } from 'echarts';
import { placeLabel, type Box } from '../drawing/place-labels.ts';
import { FONTS, type ChartInk } from './ink.ts';
import { still, type Xy } from './pieces.ts';

/** Of a numbered square, px. */
const SQUARE = 18;

/** Numbered squares, as in the list beneath a chart: none over another, and a line from what is moved to where it belongs. */
export function numbered(points: readonly Xy[], ink: ChartInk): SeriesOption {
  let taken: Box[] = [];
  return {
    type: 'custom',
    ...still,
    z: 9,
    data: points.map(([x, y]) => [x, y]),
    renderItem: ({ dataIndex, coordSys }, api) => {
      if (dataIndex === 0) taken = [];
      const [x = 0, y = 0] = api.coord([api.value(0), api.value(1)]);
      const box = { x: x - SQUARE / 2, y: y - SQUARE / 2, width: SQUARE, height: SQUARE };
      const { dx, dy } = placeLabel(box, taken, coordSys as unknown as Box);
      taken.push({ ...box, x: box.x + dx, y: box.y + dy });
      const moved = dx !== 0 || dy !== 0;
      return {
        type: 'group',
        children: [
          ...(moved
            ? [
                {
                  type: 'line' as const,
                  shape: { x1: x, y1: y, x2: x + dx, y2: y + dy },
                  style: { stroke: ink.ink, lineWidth: 1.2 },
                },
                {
                  type: 'circle' as const,
                  shape: { cx: x, cy: y, r: 2.5 },
                  style: { fill: ink.ink },
                },
              ]
            : []),
          {
            type: 'rect',
            x: box.x + dx,
            y: box.y + dy,
            shape: { x: 0, y: 0, width: SQUARE, height: SQUARE },
            style: { fill: ink.sheet, stroke: ink.ink, lineWidth: 1.5 },
          },
          {
            type: 'text',
            style: {
              x: x + dx,
              y: y + dy,
              text: String(dataIndex + 1),
              align: 'center',
              verticalAlign: 'middle',
              fill: ink.ink,
              font: `700 12px ${FONTS.head}`,
            },
          },
        ],
      };
    },
  };
}

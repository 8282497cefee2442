import type { EChartsOption, SeriesOption } from 'echarts';
import { MARGINS, TITLE_BELOW } from './pieces.ts';
import { placeLabel, type Box } from '../drawing/place-labels.ts';

/** The paper of a chart within its axes, as `paper` sets it, px. */
const [LEFT, TOP, RIGHT, BOTTOM] = [42, 2, 4, 27];
/** Letters of an axis title, with air before and after them, and how high it is. */
const [LETTER, AROUND, TITLE_HEIGHT] = [6.4, 20, 18];

interface Laid {
  readonly seriesIndex: number;
  readonly labelRect: Box;
}

/** The title of the upright axis stands within the corner at the top left, and no label over it. */
function titleBox({ yAxis }: EChartsOption): readonly Box[] {
  const axis = Array.isArray(yAxis) ? yAxis[0] : yAxis;
  const name = axis?.name;
  return typeof name === 'string' && name !== ''
    ? [
        {
          x: LEFT,
          y: MARGINS.top + TITLE_BELOW - TITLE_HEIGHT / 2,
          width: LETTER * name.length + AROUND,
          height: TITLE_HEIGHT,
        },
      ]
    : [];
}

/**
 * The chart with its labels kept off each other: each is laid by the chart's own hand, then moved the least that clears those
 * before it. Labels laid in one drawing are seen by each other; the next drawing begins anew.
 * @param size of the chart, px, at the time it is drawn
 * @param onPlaced is told where each label came to stand
 */
export function withPlacedLabels(
  option: EChartsOption,
  size: () => { readonly width: number; readonly height: number },
  onPlaced: (box: Box, seriesIndex: number) => void = () => undefined,
): EChartsOption {
  const { series } = option;
  if (!Array.isArray(series)) return option;
  const titles = titleBox(option);
  let [taken, last] = [[...titles], Infinity];
  const layout = ({ seriesIndex, labelRect }: Laid): { dx: number; dy: number } => {
    if (seriesIndex <= last) taken = [...titles];
    last = seriesIndex;
    const { width, height } = size();
    const room = { x: LEFT, y: TOP, width: width - LEFT - RIGHT, height: height - TOP - BOTTOM };
    const shift = placeLabel(labelRect, taken, room);
    const box = { ...labelRect, x: labelRect.x + shift.dx, y: labelRect.y + shift.dy };
    taken.push(box);
    onPlaced(box, seriesIndex);
    return shift;
  };
  return {
    ...option,
    series: series.map((one): SeriesOption =>
      one.type === 'scatter' && one.label?.show === true
        ? // The chart keeps the last shift of a label it draws again, and would count it into where the label is meant to stand.
          { ...one, label: { ...one.label, offset: [0, 0] }, labelLayout: layout }
        : one,
    ),
  };
}

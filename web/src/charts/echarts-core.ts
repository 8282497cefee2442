/** The parts of ECharts in use, loaded only when a stage with a chart is opened. */
import { CustomChart, LineChart, ScatterChart } from 'echarts/charts';
import { DataZoomInsideComponent, GridComponent, TooltipComponent } from 'echarts/components';
import { init, use as register } from 'echarts/core';
import { LabelLayout } from 'echarts/features';
import { CanvasRenderer, SVGRenderer } from 'echarts/renderers';

register([
  LineChart,
  CustomChart,
  ScatterChart,
  GridComponent,
  TooltipComponent,
  DataZoomInsideComponent,
  LabelLayout,
  SVGRenderer,
  CanvasRenderer,
]);

export { init };

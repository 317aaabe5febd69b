import { CustomChart, LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent, MarkPointComponent } from 'echarts/components'
import { init, use as register, type EChartsType } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'

register([
  CustomChart,
  LineChart,
  ScatterChart,
  GridComponent,
  MarkLineComponent,
  MarkPointComponent,
  SVGRenderer,
])

/** A chart in a box, drawn as SVG so that its colours follow the sheet. */
export const chartIn = (box: HTMLElement): EChartsType => init(box, null, { renderer: 'svg' })

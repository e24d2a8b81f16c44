import { use, init } from 'echarts/core'
import { CustomChart, LineChart, ScatterChart } from 'echarts/charts'
import { GraphicComponent, GridComponent } from 'echarts/components'
import { SVGRenderer } from 'echarts/renderers'

use([CustomChart, LineChart, ScatterChart, GridComponent, GraphicComponent, SVGRenderer])

/** Opens a drawing in an element; only the parts of the library that the graphs use are shipped. */
export function openChart(element: HTMLElement, width: number, height: number): unknown {
  return init(element, null, { renderer: 'svg', width, height })
}

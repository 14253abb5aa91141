import { CustomChart, LineChart } from "echarts/charts";
import { GridComponent, LegendComponent, TooltipComponent } from "echarts/components";
import { init, use } from "echarts/core";
import { SVGRenderer } from "echarts/renderers";
import type { WeeksOption } from "./progress-chart-option.ts";

use([CustomChart, LineChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer]);

/** Draws a chart that follows the width of its place. @returns takes it away again */
export function drawChart(place: HTMLElement, option: WeeksOption): () => void {
  const chart = init(place, null, { renderer: "svg" });
  chart.setOption(option);
  const observer = new ResizeObserver(() => chart.resize());
  observer.observe(place);
  return () => {
    observer.disconnect();
    chart.dispose();
  };
}

import { CustomChart, LineChart } from "echarts/charts";
import { GridComponent, LegendComponent, TooltipComponent } from "echarts/components";
import { init, use } from "echarts/core";
import { SVGRenderer } from "echarts/renderers";
import type { WeeksOption } from "./progress-chart-option.ts";

use([CustomChart, LineChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer]);

/**
 * Draws a chart that follows the width of its place.
 *
 * @param narrow what differs up to a width of so many pixels
 * @returns takes it away again
 */
export function drawChart(
  place: HTMLElement,
  option: WeeksOption,
  narrow: { readonly upTo: number; readonly option: WeeksOption },
): () => void {
  const chart = init(place, null, { renderer: "svg" });
  chart.setOption({ baseOption: option, media: [{ query: { maxWidth: narrow.upTo }, option: narrow.option }] });
  const observer = new ResizeObserver(() => chart.resize());
  observer.observe(place);
  return () => {
    observer.disconnect();
    chart.dispose();
  };
}

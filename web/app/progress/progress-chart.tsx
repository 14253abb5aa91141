import { useEffect, useRef } from "react";
import { NARROW, narrowWeeksOption, type WeeksData, weeksChartHeight, weeksChartOption } from "./progress-chart-option.ts";

/** The chart of a person's weeks. The library is fetched only when a chart is shown. */
export function WeeksChart({ data, label }: { data: WeeksData; label: string }) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let gone = false;
    let finish = () => {};
    void import("./echarts.client.ts").then(({ drawChart }) => {
      if (!gone && place.current)
        finish = drawChart(place.current, weeksChartOption(data), { upTo: NARROW, option: narrowWeeksOption(data) });
    });
    return () => {
      gone = true;
      finish();
    };
  }, [data]);
  return (
    <div ref={place} role="img" aria-label={label} style={{ height: weeksChartHeight(data.caps.length) }} className="w-full" />
  );
}

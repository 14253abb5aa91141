import { describe, expect, test } from "vitest";
import { type WeeksData, weeksChartHeight, weeksChartOption } from "./progress-chart-option.ts";

const data: WeeksData = {
  results: [
    { side: "left", day: "2026-09-02", value: 8.2 },
    { side: "right", day: "2026-09-02", value: 9.1 },
    { side: "left", day: "2026-09-16", value: 10 },
  ],
  norm: 21.5,
  caps: [{ brief: "balance demand to 3", from: "2026-08-01", to: "2026-09-20", asksFrom: "2026-09-10" }],
  firstDay: "2026-09-02",
  lastDay: "2026-09-30",
};
const names = (given: WeeksData) =>
  (weeksChartOption(given).series as { name: string; data: unknown[] }[]).map(({ name }) => name);
const seriesOf = (name: string) =>
  (weeksChartOption(data).series as { name: string; data: unknown[] }[]).find((series) => series.name === name);

describe("the chart of the weeks", () => {
  test("keeps the legs apart", () => {
    expect(seriesOf("left leg")?.data).toEqual([
      [Date.parse("2026-09-02T12:00:00Z"), 8.2],
      [Date.parse("2026-09-16T12:00:00Z"), 10],
    ]);
    expect(seriesOf("right leg")?.data).toHaveLength(1);
  });

  test("draws the norm where the source has one, and only there", () => {
    expect(names(data)).toContain("mean for the age, 21.5 s");
    expect(names({ ...data, norm: null }).some((name) => name.startsWith("mean"))).toBe(false);
  });

  test("draws the norm along the whole axis, also where there is one result or none", () => {
    for (const results of [data.results.slice(0, 1), []]) {
      const option = weeksChartOption({ ...data, results, firstDay: "2026-09-30" });
      const series = option.series as { name: string; data: [number, number][] }[];
      const norm = series.find(({ name }) => name.startsWith("mean"))?.data ?? [];
      const [{ min, max }] = option.xAxis as unknown as [{ min: number; max: number }];
      expect(norm).toEqual([
        [min, 21.5],
        [max, 21.5],
      ]);
      expect(max - min).toBeGreaterThan(0);
    }
  });

  test("lays caps on the same days as the results, with the time they held on after their date", () => {
    const cap = seriesOf("caps")?.data[0];
    expect(cap).toEqual([
      Date.parse("2026-08-01T12:00:00Z"),
      Date.parse("2026-09-20T12:00:00Z"),
      Date.parse("2026-09-10T12:00:00Z"),
      0,
    ]);
    const [above, below] = weeksChartOption(data).xAxis as { min: number; max: number }[];
    expect([above?.min, above?.max]).toEqual([below?.min, below?.max]);
  });

  test("grows by a row a cap", () => {
    expect(weeksChartHeight(3) - weeksChartHeight(2)).toBe(weeksChartHeight(2) - weeksChartHeight(1));
    expect(weeksChartHeight(0)).toBe(weeksChartHeight(1));
  });
});

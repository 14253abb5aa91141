import { ONE_LEG_STAND } from "@able-tide/core/reference/one-leg-stand";
import type { Side } from "@able-tide/core/side";
import type { CustomSeriesOption, LineSeriesOption } from "echarts/charts";
import type { GridComponentOption, LegendComponentOption, TooltipComponentOption } from "echarts/components";
import type { ComposeOption } from "echarts/core";
import { shortDay } from "../days.ts";

export type WeeksOption = ComposeOption<
  CustomSeriesOption | LineSeriesOption | GridComponentOption | LegendComponentOption | TooltipComponentOption
>;

export interface WeeksData {
  readonly results: readonly { readonly side: Side; readonly day: string; readonly value: number }[];
  /** Mean for the person's age, seconds; null where the source has none. */
  readonly norm: number | null;
  /** Caps by the days they held; `asksFrom` is where their date had passed and no one had answered. */
  readonly caps: readonly {
    readonly brief: string;
    readonly from: string;
    readonly to: string;
    readonly asksFrom: string | null;
  }[];
  readonly firstDay: string;
  readonly lastDay: string;
}

const COLOUR = {
  ink: "#10303a",
  grid: "#d5c8ac",
  soft: "#6f6247",
  right: "#1d5563",
  left: "#b8451d",
  capFill: "#bbdcda",
  asks: "#f6a47f",
} as const;
const TEXT = { fontFamily: '"Atkinson Hyperlegible Next Variable", sans-serif', fontSize: 15, color: COLOUR.ink } as const;
const CHART_HEIGHT = 270;
const CAP_HEIGHT = 30;
const GAP = 52;
/** Width of a letter, pixels, about. */
const LETTER = 7.4;

/** Room for the names of the lines: in one row, or in three on a phone. */
const NAMES = { wide: 46, narrow: 96 } as const;

/** Pixels up to which the names of the lines need three rows. */
export const NARROW = 520;

/** Height of the whole picture, pixels. */
export const weeksChartHeight = (caps: number): number => NAMES.wide + CHART_HEIGHT + GAP + Math.max(1, caps) * CAP_HEIGHT + 12;

/** What the axis shows before the first and after the last day, milliseconds: two days. */
const MARGIN = 2 * 24 * 60 * 60 * 1000;
const at = (day: string): number => Date.parse(`${day}T12:00:00Z`);

function seriesOf(side: Side, results: WeeksData["results"]): LineSeriesOption {
  const right = side === "right";
  return {
    name: `${side} leg`,
    type: "line",
    symbol: right ? "circle" : "diamond",
    symbolSize: right ? 10 : 13,
    lineStyle: { width: 3, type: right ? "solid" : [8, 5] },
    color: right ? COLOUR.right : COLOUR.left,
    data: results.filter((result) => result.side === side).map(({ day, value }) => [at(day), value]),
  };
}

function level(name: string, value: number, data: WeeksData, type: "dashed" | "dotted"): LineSeriesOption {
  return {
    name,
    type: "line",
    symbol: "none",
    silent: true,
    lineStyle: { width: 2, type, color: COLOUR.soft },
    color: COLOUR.soft,
    // All along the axis, which goes beyond the first and the last day: with one result these are the same.
    data: [
      [at(data.firstDay) - MARGIN, value],
      [at(data.lastDay) + MARGIN, value],
    ],
    endLabel: { show: false },
  };
}

/** A cap as a bar along its days, lighter where it held on after its date. */
function capSeries(data: WeeksData): CustomSeriesOption {
  return {
    type: "custom",
    name: "caps",
    xAxisIndex: 1,
    yAxisIndex: 1,
    silent: true,
    data: data.caps.map((cap, row) => [at(cap.from), at(cap.to), cap.asksFrom === null ? at(cap.to) : at(cap.asksFrom), row]),
    encode: { x: [0, 1], y: 3 },
    renderItem: (_, api) => {
      const row = Number(api.value(3));
      const [left = 0, middle = 0] = api.coord([Math.max(Number(api.value(0)), at(data.firstDay)), row]);
      const [right = 0] = api.coord([Number(api.value(1)), row]);
      const [asks = 0] = api.coord([Number(api.value(2)), row]);
      const y = middle - CAP_HEIGHT / 2 + 3;
      const height = CAP_HEIGHT - 6;
      const brief = data.caps[row]?.brief ?? "";
      // Words begin with their bar, and further left where they would run out of the picture.
      const last = api.getWidth() - LETTER * brief.length;
      return {
        type: "group",
        children: [
          {
            type: "rect",
            shape: { x: left, y, width: Math.max(2, right - left), height, r: 6 },
            style: { fill: COLOUR.capFill },
          },
          { type: "rect", shape: { x: asks, y, width: Math.max(0, right - asks), height, r: 6 }, style: { fill: COLOUR.asks } },
          {
            type: "text",
            style: {
              ...TEXT,
              text: brief,
              x: Math.max(0, Math.min(left + 8, last)),
              y: middle,
              verticalAlign: "middle",
              fill: COLOUR.ink,
            },
          },
        ],
      };
    },
  };
}

const FIVE = `${ONE_LEG_STAND.lowThreshold} s`;
const DASHES = "path://M0 0H9V3H0Z M12 0H21V3H12Z M24 0H33V3H24Z";
const DOTS = "path://M0 0H3V3H0Z M6 0H9V3H6Z M12 0H15V3H12Z M18 0H21V3H18Z M24 0H27V3H24Z M30 0H33V3H30Z";

const normName = (norm: number): string => `mean for the age, ${norm} s`;

/** The place of the results and, under them, of the caps; a taller row of names takes height from the results. */
const gridsBelow = (names: number, data: WeeksData) => [
  { left: 48, right: 16, top: names, height: CHART_HEIGHT + NAMES.wide - names },
  { left: 48, right: 16, top: NAMES.wide + CHART_HEIGHT + GAP, height: Math.max(1, data.caps.length) * CAP_HEIGHT },
];

/** What differs on a phone. */
export const narrowWeeksOption = (data: WeeksData): WeeksOption => ({ grid: gridsBelow(NAMES.narrow, data) });

/** The weeks of one person: each leg's seconds with the norm for the age, and under it the caps on the same days. */
export function weeksChartOption(data: WeeksData): WeeksOption {
  const days = { min: at(data.firstDay) - MARGIN, max: at(data.lastDay) + MARGIN } as const;
  const dayLabel = (value: number) => shortDay(new Date(value).toISOString().slice(0, 10));
  const levels = [...(data.norm === null ? [] : [normName(data.norm)]), FIVE];
  const longest = Math.max(10, data.norm ?? 0, ...data.results.map(({ value }) => value));
  return {
    animation: false,
    textStyle: TEXT,
    legend: {
      top: 0,
      left: 40,
      itemGap: 22,
      itemWidth: 34,
      textStyle: TEXT,
      data: ["right leg", "left leg", ...levels.map((name) => ({ name, icon: name === FIVE ? DOTS : DASHES }))],
    },
    tooltip: { trigger: "axis", valueFormatter: (value) => `${value} s`, textStyle: TEXT },
    grid: gridsBelow(NAMES.wide, data),
    xAxis: [
      { type: "time", ...days, axisLabel: { ...TEXT, formatter: dayLabel, hideOverlap: true }, splitLine: { show: false } },
      {
        type: "time",
        gridIndex: 1,
        ...days,
        axisLabel: { show: false },
        axisTick: { show: false },
        axisLine: { show: false },
        splitLine: { show: false },
      },
    ],
    yAxis: [
      {
        type: "value",
        min: 0,
        max: Math.min(ONE_LEG_STAND.ceiling, Math.ceil((longest + 2) / 5) * 5),
        axisLabel: { ...TEXT, formatter: "{value} s" },
        splitLine: { lineStyle: { color: COLOUR.grid } },
      },
      { type: "category", gridIndex: 1, inverse: true, data: data.caps.map(({ brief }) => brief), show: false },
    ],
    series: [
      seriesOf("right", data.results),
      seriesOf("left", data.results),
      ...(data.norm === null ? [] : [level(normName(data.norm), data.norm, data, "dashed")]),
      level(FIVE, ONE_LEG_STAND.lowThreshold, data, "dotted"),
      capSeries(data),
    ],
  };
}

import { capChannel } from "@able-tide/core/caps/channels";
import { DAY_ANSWERS } from "@able-tide/core/caps/day-answers";
import { LIMITATION_RULES } from "@able-tide/core/caps/limitations/all";
import {
  AFFECTED_FEATURES,
  type CapTemplate,
  type LimitationRule,
  PHASES,
  type Proposal,
} from "@able-tide/core/caps/limitations/rule";
import { capsAfterNewcomer, newcomerCaps, STANDARD_CAP_LIMITS, STANDARD_CAPS_SOURCE } from "@able-tide/core/caps/newcomers";
import { SCREENING } from "@able-tide/core/caps/screening";
import { capChannelLabel, capChannelUnit, motionLabel, strengthLabel } from "./caps.ts";
import { dayAnswerWords, screeningWords } from "./day-table.ts";
import { formatTemplate } from "./format-cap.ts";
import { formatCautionOfRule, limitationKindLabel, limitationLabel, sourceLabel } from "./limitations.ts";

type Row = readonly string[];

const line = (cells: Row): string => `| ${cells.map((cell) => cell.replaceAll("|", "/")).join(" | ")} |`;
const table = (head: Row, rows: readonly Row[]): string =>
  [line(head), line(head.map(() => "---")), ...rows.map(line)].join("\n");

function sideOf(limit: CapTemplate): string {
  if ("side" in limit) return limit.side;
  if (limit.channel === "barredFeature" && limit.limit in AFFECTED_FEATURES) return "affected";
  if ("part" in limit && (limit.part === "affectedArm" || limit.part === "affectedLeg")) return "affected";
  return "";
}

const channelOf = (limit: CapTemplate): string =>
  limit.channel === "motion" ? motionLabel(limit.motion) : capChannelLabel(limit.channel);

function unitOf(limit: CapTemplate): string {
  const channel = capChannel(limit.channel);
  if (channel.kind === "number") {
    const unit = capChannelUnit(channel.name);
    return unit.startsWith("%") ? unit : ` ${unit}`;
  }
  if (channel.kind === "motion") return "°";
  return channel.kind === "part" ? "%" : "";
}

function amountOf(limit: CapTemplate, { rungDown, halves, follows }: Partial<Proposal>): string {
  if (rungDown) return "one balance level below the active cap";
  if (!("limit" in limit) || limit.channel === "barredFeature") return "yes";
  const value = `${limit.limit}${unitOf(limit)}`;
  if (halves) return `half of the active cap, or of ${value} without one`;
  return follows ? `as measured pain-free, else ${value}` : value;
}

const kindsOf = (names: readonly string[] | undefined, { name, kinds = [] }: LimitationRule): string =>
  names === undefined
    ? ""
    : kinds
        .filter((kind) => names.includes(kind))
        .map((kind) => limitationKindLabel(name, kind))
        .join(", ");

const phasesOf = (phases: readonly string[] | undefined, { timed }: LimitationRule): string => {
  if (!timed) return "no phases";
  return phases === undefined || phases.length === PHASES.length ? "all" : phases.join(", ");
};

function dateOf({ strength, date }: Proposal): string {
  const from = date.after === "event" ? " from the day it happened" : "";
  const kind = strength === "comfort" ? "ends automatically after" : date.kind === "ends" ? "ends after" : "review after";
  return `${strengthLabel(strength)}, ${kind} ${date.weeks} weeks${from}`;
}

const sourceOf = ({ source, decides }: LimitationRule): string => `${sourceLabel(source)}; the ${decides} decides`;

const rowOf = (
  rule: LimitationRule,
  where: readonly [kinds: string, phases: string],
  limit: CapTemplate,
  value: string,
  until: string,
): Row => [
  limitationLabel(rule.name),
  ...where,
  sideOf(limit),
  channelOf(limit),
  value,
  formatTemplate(limit),
  until,
  sourceOf(rule),
];

function rowsOf(rule: LimitationRule): Row[] {
  const { waits, proposals, cautions } = rule;
  const waiting = (waits?.interim ?? []).map((limit) =>
    rowOf(
      rule,
      [kindsOf(waits?.kinds, rule), phasesOf(waits?.phases, rule)],
      limit,
      amountOf(limit, {}),
      "clinical, until a clinician's caps are entered",
    ),
  );
  const proposed = proposals.map((proposal) =>
    rowOf(
      rule,
      [kindsOf(proposal.kinds, rule), phasesOf(proposal.phases, rule)],
      proposal.limit,
      amountOf(proposal.limit, proposal),
      dateOf(proposal),
    ),
  );
  const cared = cautions.map(
    (caution): Row => [
      limitationLabel(rule.name),
      "",
      phasesOf(undefined, rule),
      "",
      "caution",
      "",
      formatCautionOfRule(caution, rule),
      "",
      sourceOf(rule),
    ],
  );
  return [...waiting, ...proposed, ...cared];
}

const plainRows = (limits: readonly CapTemplate[]): Row[] =>
  limits.map((limit) => [sideOf(limit), channelOf(limit), amountOf(limit, {}), formatTemplate(limit)]);
const PLAIN_HEAD: Row = ["Side", "Channel", "Value", "In words"];

/** Every rule by which the product proposes limits, as Markdown for a clinician to read: phase, side, channel, value, source. */
export function rulesTable(): string {
  return [
    "### Limitations",
    table(
      ["Limitation", "Kind", "Phase", "Side", "Channel", "Value", "In words", "Strength and date", "Source"],
      LIMITATION_RULES.flatMap(rowsOf),
    ),
    "### The first sessions, without a four-stage stand",
    `Source: ${sourceLabel(STANDARD_CAPS_SOURCE)}.`,
    table(PLAIN_HEAD, plainRows(newcomerCaps(null))),
    "### New participants, after a four-stage balance test with no stage held",
    table(PLAIN_HEAD, plainRows(newcomerCaps("none"))),
    "### After the newcomer caps end, with the tandem stage held",
    table(PLAIN_HEAD, plainRows(capsAfterNewcomer("tandem"))),
    "### Everyone",
    table(PLAIN_HEAD, plainRows(STANDARD_CAP_LIMITS)),
    "### The day's screening",
    table(
      ["What is found", "Proposes", "Source"],
      SCREENING.map((rule) => {
        const { about, proposes } = screeningWords(rule);
        return [about, proposes, sourceLabel(rule.source)];
      }),
    ),
    "### The day's answers",
    table(
      ["What is said", "Proposes"],
      DAY_ANSWERS.map(dayAnswerWords).map(({ about, proposes }) => [about, proposes]),
    ),
  ].join("\n\n");
}

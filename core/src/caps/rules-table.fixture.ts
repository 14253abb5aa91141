import { capChannel } from "./channels.ts";
import { DAY_ANSWERS } from "./day-answers.ts";
import { LIMITATION_RULES } from "./limitations/all.ts";
import {
  AFFECTED_FEATURES,
  formatCaution,
  type LimitationRule,
  type LimitTemplate,
  PHASES,
  type Proposal,
} from "./limitations/rule.ts";
import { motionNamed } from "./motions.ts";
import { EVERYBODY_LIMITS, limitsAfterRelease, NEWCOMER_SOURCE, newcomerLimits } from "./newcomers.ts";
import { formatTemplate } from "./propose.ts";
import { SCREENING } from "./screening.ts";

type Row = readonly string[];

const line = (cells: Row): string => `| ${cells.map((cell) => cell.replaceAll("|", "/")).join(" | ")} |`;
const table = (head: Row, rows: readonly Row[]): string =>
  [line(head), line(head.map(() => "---")), ...rows.map(line)].join("\n");

function sideOf(limit: LimitTemplate): string {
  if ("side" in limit) return limit.side;
  if (limit.channel === "barredFeature" && limit.limit in AFFECTED_FEATURES) return "affected";
  if ("part" in limit && (limit.part === "affectedArm" || limit.part === "affectedLeg")) return "affected";
  return "";
}

const channelOf = (limit: LimitTemplate): string =>
  limit.channel === "motion" ? motionNamed(limit.motion).label : capChannel(limit.channel).label;

function unitOf(limit: LimitTemplate): string {
  const channel = capChannel(limit.channel);
  if (channel.kind === "number") return channel.unit.startsWith("%") ? channel.unit : ` ${channel.unit}`;
  if (channel.kind === "motion") return "°";
  return channel.kind === "part" ? "%" : "";
}

function amountOf(limit: LimitTemplate, { rungDown, halves, follows }: Partial<Proposal>): string {
  if (rungDown) return "one balance level below the active cap";
  if (!("limit" in limit) || limit.channel === "barredFeature") return "yes";
  const value = `${limit.limit}${unitOf(limit)}`;
  if (halves) return `half of the active cap, or of ${value} without one`;
  return follows ? `as measured pain-free, else ${value}` : value;
}

const kindsOf = (names: readonly string[] | undefined, { kinds = [] }: LimitationRule): string =>
  names === undefined
    ? ""
    : kinds
        .filter(({ name }) => names.includes(name))
        .map(({ label }) => label)
        .join(", ");

const phasesOf = (phases: readonly string[] | undefined, { timed }: LimitationRule): string => {
  if (!timed) return "no phases";
  return phases === undefined || phases.length === PHASES.length ? "all" : phases.join(", ");
};

function dateOf({ strength, date }: Proposal): string {
  const from = date.after === "event" ? " from the day it happened" : "";
  const kind = strength === "comfort" ? "ends automatically after" : date.kind === "ends" ? "ends after" : "review after";
  return `${strength}, ${kind} ${date.weeks} weeks${from}`;
}

const sourceOf = ({ source, decides }: LimitationRule): string => `${source}; the ${decides} decides`;

const rowOf = (
  rule: LimitationRule,
  where: readonly [kinds: string, phases: string],
  limit: LimitTemplate,
  value: string,
  until: string,
): Row => [rule.label, ...where, sideOf(limit), channelOf(limit), value, formatTemplate(limit), until, sourceOf(rule)];

function rowsOf(rule: LimitationRule): Row[] {
  const { waits, proposals, cautions } = rule;
  const waiting = (waits?.meanwhile ?? []).map((limit) =>
    rowOf(
      rule,
      [kindsOf(waits?.kinds, rule), phasesOf(waits?.phases, rule)],
      limit,
      amountOf(limit, {}),
      "absolute, until a clinician's caps are entered",
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
      rule.label,
      "",
      phasesOf(undefined, rule),
      "",
      "caution",
      "",
      formatCaution(caution, rule),
      "",
      sourceOf(rule),
    ],
  );
  return [...waiting, ...proposed, ...cared];
}

const plainRows = (limits: readonly LimitTemplate[]): Row[] =>
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
    `Source: ${NEWCOMER_SOURCE}.`,
    table(PLAIN_HEAD, plainRows(newcomerLimits(null))),
    "### New participants, after a four-stage balance test with no stage held",
    table(PLAIN_HEAD, plainRows(newcomerLimits("none"))),
    "### After the newcomer caps end, with the tandem stage held",
    table(PLAIN_HEAD, plainRows(limitsAfterRelease("tandem"))),
    "### Everyone",
    table(PLAIN_HEAD, plainRows(EVERYBODY_LIMITS)),
    "### The day's screening",
    table(
      ["What is found", "Proposes", "Source"],
      SCREENING.map(({ about, proposes, source }) => [about, proposes, source]),
    ),
    "### The day's answers",
    table(
      ["What is said", "Proposes"],
      DAY_ANSWERS.map(({ about, proposes }) => [about, proposes]),
    ),
  ].join("\n\n");
}

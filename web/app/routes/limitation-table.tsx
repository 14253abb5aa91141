import { DAY_ANSWERS } from "@able-tide/core/caps/day-answers";
import { LIMITATION_RULES } from "@able-tide/core/caps/limitations/all";
import {
  AREAS,
  type CapTemplate,
  type LimitationRule,
  type Proposal,
  USUAL_PRACTICE,
} from "@able-tide/core/caps/limitations/rule";
import { capsAfterNewcomer, newcomerCaps, STANDARD_CAP_LIMITS, STANDARD_CAPS_SOURCE } from "@able-tide/core/caps/newcomers";
import { SCREENING } from "@able-tide/core/caps/screening";
import { strengthLabel } from "@able-tide/words/caps";
import { dayAnswerWords, screeningWords } from "@able-tide/words/day-table";
import { formatCapLimit, formatTemplate } from "@able-tide/words/format-cap";
import { areaLabel, formatCautionOfRule, limitationKindLabel, limitationLabel, sourceLabel } from "@able-tide/words/limitations";
import { sentenceCase } from "@able-tide/words/text";
import { ScrollArea } from "../kit/scroll-area.tsx";
import { PageHead } from "../kit/shell.tsx";
import type { Route } from "./+types/limitation-table";

export const meta: Route.MetaFunction = () => [{ title: "Limitation guide · Able Tide" }];

const KIND_LABELS = { review: "review after", ends: "ends after" } as const;

function whenOf({ phases, kinds, follows, date, strength }: Proposal, rule: LimitationRule): string {
  const kindLabels = kinds?.map((kind) => limitationKindLabel(rule.name, kind));
  return [
    phases?.join(" and "),
    kindLabels?.join(", "),
    follows && "or as measured pain-free",
    `${strengthLabel(strength)}, ${strength === "comfort" ? "ends automatically after" : KIND_LABELS[date.kind]} ${date.weeks} weeks${date.after === "event" ? " from the event" : ""}`,
  ]
    .filter(Boolean)
    .join("; ");
}

const formatWaits = ({ waits, name }: LimitationRule): string => {
  if (!waits) return "";
  const kinds = waits.kinds?.map((kind) => limitationKindLabel(name, kind)).join(", ");
  const phases = waits.phases.length === 3 ? "" : ` while ${waits.phases.join(" and ")}`;
  return `Clinician's caps needed${phases}${kinds ? ` (${kinds})` : ""}.`;
};

const formatWaitingCaps = (templates: readonly CapTemplate[]): string => templates.map(formatTemplate).join("; ");

function RuleRow({ rule }: { rule: LimitationRule }) {
  return (
    <tr className="border-t border-sand-300 align-top">
      <th scope="row" className="py-2 pr-4 font-bold">
        {limitationLabel(rule.name)}
      </th>
      <td className="py-2 pr-4">
        {rule.waits && (
          <p className="font-semibold text-signal-700">
            {formatWaits(rule)} Until then: {formatWaitingCaps(rule.waits.interim).toLowerCase()}.
          </p>
        )}
        {rule.proposals.length > 0 && (
          <ul>
            {rule.proposals.map((proposal) => (
              <li key={JSON.stringify(proposal)}>
                {formatTemplate(proposal.limit)} <span className="text-sand-600">{whenOf(proposal, rule)}</span>
              </li>
            ))}
          </ul>
        )}
        {rule.cautions.length > 0 && (
          <p className="text-sand-600">
            Precautions: {rule.cautions.map((caution) => formatCautionOfRule(caution, rule)).join(". ")}.
          </p>
        )}
      </td>
      <td className="py-2 text-sand-600">
        {sourceLabel(rule.source)}; {rule.decides}
      </td>
    </tr>
  );
}

/**
 * Everything the product proposes by itself, each row with its source.
 *
 * Long because it is the page of every rule, table after table.
 */
export default function LimitationTable() {
  return (
    <>
      <PageHead
        title="Limitation guide"
        note="Suggested caps for each limitation, with sources. The clinician's advice, the venue's rules and local law come first."
      />
      {AREAS.map((area) => (
        <ScrollArea key={area} label={areaLabel(area)} className="mb-6 rounded-soft border border-sand-300 bg-white p-5">
          <h2 className="mb-1 text-xl">{sentenceCase(areaLabel(area))}</h2>
          <table className="w-full border-collapse text-left">
            <thead className="sr-only">
              <tr>
                {["Limitation", "Suggested caps", "Source, who decides"].map((head) => (
                  <th key={head} scope="col">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <colgroup>
              <col className="w-56" />
              <col />
              <col className="w-56" />
            </colgroup>
            <tbody>
              {LIMITATION_RULES.filter((rule) => rule.area === area).map((rule) => (
                <RuleRow key={rule.name} rule={rule} />
              ))}
            </tbody>
          </table>
        </ScrollArea>
      ))}
      <section className="mb-6 rounded-soft border border-sand-300 bg-white p-5">
        <h2 className="text-xl">Standard caps for everyone</h2>
        <p>{STANDARD_CAP_LIMITS.map(formatCapLimit).join(". ")}.</p>
        <h2 className="mt-4 text-xl">New participants</h2>
        <p>
          First three sessions: {newcomerCaps(null).map(formatCapLimit).join("; ")}. After the four-stage balance test the tested
          level applies. Source: {sourceLabel(STANDARD_CAPS_SOURCE)}.
        </p>
        <p className="mt-1">
          After that, without limitations:{" "}
          {capsAfterNewcomer("tandem")
            .filter(({ channel }) => channel !== "steadiness")
            .map(formatCapLimit)
            .join("; ")}
          ; balance demand from the stage held in the four-stage balance test.
        </p>
      </section>
      {[
        { title: "Check-in thresholds", rows: SCREENING.map((rule) => ({ ...screeningWords(rule), source: rule.source })) },
        {
          title: "Check-in answers",
          rows: DAY_ANSWERS.map((rule) => ({ ...dayAnswerWords(rule), source: USUAL_PRACTICE })),
        },
      ].map(({ title, rows }) => (
        <section key={title} className="mb-6 rounded-soft border border-sand-300 bg-white p-5">
          <h2 className="mb-1 text-xl">{title}</h2>
          <table className="w-full border-collapse text-left">
            <tbody>
              {rows.map(({ about, proposes, source }) => (
                <tr key={about} className="border-t border-sand-200 align-top">
                  <th scope="row" className="w-96 py-1.5 pr-4 font-bold">
                    {about}
                  </th>
                  <td className="py-1.5 pr-4">{proposes}</td>
                  <td className="w-56 py-1.5 text-sand-600">{sourceLabel(source)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </>
  );
}

import { itemAt } from "@able-tide/core/checked-access";
import { type HelpKind, helperSheet, neededInAny } from "@able-tide/core/fit/helper-sheet";
import { formatHelpNote } from "@able-tide/words/helper-sheet";
import { formatHazard } from "@able-tide/words/schedule";
import { formatSeats } from "@able-tide/words/seats";
import { count, formatMinutes } from "@able-tide/words/text";
import { formatChange, formatVersions } from "@able-tide/words/versions";
import { findFittedPlan } from "../../server/plans/fitted-plan.ts";
import { isId } from "../ids.ts";
import { columnsOf } from "../plans/board-columns.ts";
import { isLargeType, SheetPage } from "../plans/sheet-page.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-helper-sheet";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.group ?? "Plan"}, helper's printout · Able Tide` },
];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const fitted = isId(params.planId) ? await findFittedPlan(scope, params.planId) : null;
  if (!fitted) throw notFound();
  const { plan, group, reading, people } = fitted;
  const names = new Map(people.map(({ person }) => [person.id, person.name]));
  const sheet = helperSheet(
    reading.blocks,
    people.map(({ person, cells, caps }) => ({ id: person.id, name: person.name, cells, caps })),
  );
  const inPool = (is: (cells: (typeof people)[number]["cells"]) => boolean): string[] =>
    group.inWater ? people.filter(({ cells }) => is(cells)).map(({ person }) => person.name) : [];
  return {
    planId: plan.id,
    day: plan.day,
    group: group.name,
    helpers: group.helpers,
    inPoolChair: inPool((cells) => cells.some(({ form }) => form === "seated")),
    notInWater: inPool((cells) => cells.every(({ choice }) => choice === null)),
    seats: formatSeats(people.map(({ person: { name }, seated: { seat } }) => ({ name, seat }))),
    large: isLargeType(request),
    // A helper is told what to do, and no reason why.
    blocks: columnsOf(reading.blocks).map(({ id, name, items }) => {
      const parts = items.map((i) => itemAt(reading.blocks, i));
      const led = items.map((i) => itemAt(fitted.sheet.items, i));
      const hazards = parts.flatMap(({ transition, sideChange }) => [...transition.hazards, ...(sideChange?.hazards ?? [])]);
      return {
        id,
        name,
        from: parts[0]?.from ?? 0,
        hazards: [...new Set(hazards)].map(formatHazard),
        turnsRound: parts.some(({ movement }) => movement.reversal === "halves"),
        changes: led.flatMap(({ change }) => (change ? [formatChange(change, names)] : [])),
        versions: formatVersions(itemAt(led, 0), names),
        needed: neededInAny(items.map((i) => sheet[i]?.needed ?? [])),
      };
    }),
  };
}

const KIND_WORDS: Readonly<Record<HelpKind, string>> = {
  hand: "Offer a hand",
  near: "Stay within arm's reach",
  hold: "With support",
};

type Needed = Route.ComponentProps["loaderData"]["blocks"][number]["needed"][number];

/** One kind of help in a block, everyone who needs it. */
function Help({ kind, needed }: { kind: HelpKind; needed: readonly Needed[] }) {
  const these = needed.filter((each) => each.kind === kind);
  if (these.length === 0) return null;
  const urgent = kind === "hand" || kind === "near";
  return (
    <p className={urgent ? "font-semibold" : ""}>
      {KIND_WORDS[kind]}: {these.map(({ name, note }) => `${name} (${formatHelpNote(note)})`).join(", ")}.
    </p>
  );
}

/** Who needs what and when, in order of time: what the grid shows, for the person behind the chairs. */
export default function PlanHelperSheet({ loaderData }: Route.ComponentProps) {
  const { planId, day, group, helpers, inPoolChair, notInWater, seats, large, blocks } = loaderData;
  return (
    <SheetPage planId={planId} title={`${group}: for the helper`} day={day} large={large}>
      <p className="mb-2">
        {helpers === 0
          ? "No helper planned."
          : `${count(helpers, "helper", "helpers")} planned. A helper can support one participant at a time.`}
      </p>
      {inPoolChair.length > 0 && (
        <p className="mb-2 font-semibold">
          Enters by hoist, belted into a pool chair, someone within arm's reach throughout: {inPoolChair.join(", ")}.
        </p>
      )}
      {seats && <p className="mb-2">{seats}</p>}
      {notInWater.length > 0 && <p className="mb-2">Not in the water: {notInWater.join(", ")}.</p>}
      <ol className={large ? "" : "text-[0.9rem] leading-snug"}>
        {blocks.map(({ id, name, from, needed, hazards, changes, versions, turnsRound }) => (
          <li key={id} className="grid break-inside-avoid grid-cols-[4.5rem_1fr] gap-x-3 border-t border-sand-300 py-1">
            <span className="text-right font-bold">{formatMinutes(from)}</span>
            <div>
              <h2 className="text-[1.05em]">{name}</h2>
              {turnsRound && <p>Half the repetitions one way, then the other way.</p>}
              {changes.map((change) => (
                <p key={change} className="font-semibold">
                  {change}.
                </p>
              ))}
              <p>{versions.join(". ")}.</p>
              {hazards.map((hazard) => (
                <p key={hazard} className="font-semibold">
                  {hazard}.
                </p>
              ))}
              {(["hand", "near", "hold"] as const).map((kind) => (
                <Help key={kind} kind={kind} needed={needed} />
              ))}
              {needed.length + hazards.length + changes.length === 0 && (
                <p className="text-sand-600">No one needs a helper's hand.</p>
              )}
            </div>
          </li>
        ))}
      </ol>
    </SheetPage>
  );
}

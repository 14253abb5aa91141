import { itemAt } from "@able-tide/core/checked-access";
import { type HelpKind, neededInAny, newlyNeeded } from "@able-tide/core/fit/helper-sheet";
import type { SheetItem } from "@able-tide/core/leading/session-sheet";
import type { TransitionHazard } from "@able-tide/core/schedule/transition-steps";
import { formatHelpNote } from "@able-tide/words/helper-sheet";
import { formatHazard } from "@able-tide/words/schedule";
import { formatSeats } from "@able-tide/words/seats";
import { formatHelperPlace } from "@able-tide/words/stations";
import { count, formatMinutes, inAList } from "@able-tide/words/text";
import { AS_BEFORE, formatChange, formatNamedVersions, NOT_NAMED } from "@able-tide/words/versions";
import { findFittedPlan } from "../../server/plans/fitted-plan.ts";
import { type SessionStations, sessionStations } from "../../server/plans/stations.ts";
import { isId } from "../ids.ts";
import { columnsOf } from "../plans/board-columns.ts";
import { namesOfSession } from "../plans/names-of-session.ts";
import { isLargeType, SheetPage } from "../plans/sheet-page.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-helper-sheet";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.group ?? "Plan"}, helper's printout · Able Tide` },
];

/** Where helpers stand from an item on; empty where they stay where they are. */
const standingWords = ({ there, stations }: SessionStations, item: number): string =>
  inAList(stations.find(({ from }) => from === item)?.helpers.map((at) => formatHelperPlace(at, there)) ?? []);

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const fitted = isId(params.planId) ? await findFittedPlan(scope, params.planId) : null;
  if (!fitted) throw notFound();
  const { plan, group, reading, people } = fitted;
  const { names, takingPart, notInWater } = namesOfSession(fitted);
  const places = await sessionStations(scope, fitted);
  const versionsIn = (item: SheetItem): string => `${formatNamedVersions(item, takingPart).join(". ")}.`;
  /** Who does which version in the item before; empty before the first, and where people sit down or stand up between them. */
  const before = (item: number): string => {
    const last = fitted.sheet.items[item - 1];
    return last && fitted.sheet.items[item]?.change === null ? versionsIn(last) : "";
  };
  const hazardsOf = (item: number): TransitionHazard[] => {
    const { transition, sideChange } = itemAt(reading.blocks, item);
    return [...transition.hazards, ...(sideChange?.hazards ?? [])];
  };
  const columns = columnsOf(reading.blocks);
  const needed = newlyNeeded(columns.map(({ items }) => neededInAny(items.map((i) => places.helped[i]?.needed ?? []))));
  return {
    planId: plan.id,
    day: plan.day,
    group: group.name,
    helpers: group.helpers,
    inPoolChair: group.inWater
      ? people.filter(({ cells }) => cells.some(({ form }) => form === "seated")).map(({ person }) => person.name)
      : [],
    notInWater,
    seats: formatSeats(people.map(({ person: { name }, seated: { seat } }) => ({ name, seat }))),
    large: isLargeType(request),
    hazards: [...new Set(columns.flatMap(({ items }) => items.flatMap(hazardsOf)))]
      .filter((hazard) => EACH_TIME.includes(hazard))
      .map(formatHazard),
    // A helper is told what to do, and no reason why.
    blocks: columns.map(({ id, name, items }, column) => {
      const parts = items.map((i) => itemAt(reading.blocks, i));
      const led = items.map((i) => itemAt(fitted.sheet.items, i));
      const hands = led.flatMap(({ change }) => change?.hands ?? []);
      return {
        id,
        name,
        from: parts[0]?.from ?? 0,
        standAt: items.map((i) => standingWords(places, i)).filter(Boolean),
        hazards: [...new Set(items.flatMap(hazardsOf))].filter((hazard) => !EACH_TIME.includes(hazard)).map(formatHazard),
        turnsRound: parts.some(({ movement }) => movement.reversal === "halves"),
        changes: led.flatMap(({ change }) => (change ? [formatChange(change, names)] : [])),
        versions: versionsIn(itemAt(led, 0)),
        asBefore: versionsIn(itemAt(led, 0)) === before(itemAt(items, 0)),
        // Whoever stands up with a hand is not told of twice.
        needed: itemAt(needed, column).filter(
          ({ personId, note }) => !(note.note === "nearCap" && note.while === "rising" && hands.includes(personId)),
        ),
      };
    }),
  };
}

/** Hazards that come back whenever the room stands up or sits down: told once, at the top. */
const EACH_TIME: readonly TransitionHazard[] = ["standsUp", "sitsDown"];

const KIND_WORDS: Readonly<Record<HelpKind, string>> = {
  hand: "Offer a hand",
  near: "Within arm's reach",
  hold: "With support",
};

type Needed = Route.ComponentProps["loaderData"]["blocks"][number]["needed"][number];

/** Who needs the same, together: "Bela, Ruud (left hand on the rail)". */
function byNote(needed: readonly Needed[]): string {
  const alike = new Map<string, string[]>();
  for (const { name, note } of needed) {
    const words = formatHelpNote(note);
    alike.set(words, [...(alike.get(words) ?? []), name]);
  }
  return [...alike].map(([words, people]) => `${people.join(", ")} (${words})`).join("; ");
}

/** One kind of help in a block, everyone who needs it: "Offer a hand: Ruud (right hand)."; empty where no one does. */
function helpInWords(kind: HelpKind, needed: readonly Needed[]): string {
  const these = needed.filter((each) => each.kind === kind);
  return these.length === 0 ? "" : `${KIND_WORDS[kind]}: ${byNote(these)}.`;
}

/** What the helper does in a block, then what its people do, each run on so that a page holds a session. */
function BlockLines({ block }: { block: Route.ComponentProps["loaderData"]["blocks"][number] }) {
  const { needed, hazards, changes, versions, asBefore, turnsRound, standAt } = block;
  const help = (kind: HelpKind) => helpInWords(kind, needed);
  const does = [
    ...standAt.map((where) => `Stand ${where}.`),
    ...changes.map((change) => `${change}.`),
    ...hazards.map((hazard) => `${hazard}.`),
    help("hand"),
    help("near"),
  ];
  const people = [
    turnsRound ? "Half the repetitions one way, then the other way." : "",
    asBefore ? AS_BEFORE : versions,
    help("hold"),
  ];
  return (
    <>
      <p className="font-semibold">{does.filter(Boolean).join(" ")}</p>
      <p>{people.filter(Boolean).join(" ")}</p>
    </>
  );
}

/** Who needs what and when, in order of time: what the grid shows, for the person behind the chairs. */
export default function PlanHelperSheet({ loaderData }: Route.ComponentProps) {
  const { planId, day, group, helpers, inPoolChair, notInWater, seats, large, hazards: eachTime, blocks } = loaderData;
  return (
    <SheetPage planId={planId} title={`${group}: for the helper`} day={day} large={large}>
      <p className="mb-[0.3em]">
        {helpers === 0
          ? "No helper planned."
          : `${count(helpers, "helper", "helpers")} planned. A helper can support one participant at a time.`}
        {eachTime.map((hazard) => ` ${hazard}.`)} {NOT_NAMED}
      </p>
      {inPoolChair.length > 0 && (
        <p className="mb-2 font-semibold">
          Enters by hoist, belted into a pool chair, someone within arm's reach throughout: {inPoolChair.join(", ")}.
        </p>
      )}
      {seats && <p className="mb-2">{seats}</p>}
      {notInWater && <p className="mb-2">{notInWater}</p>}
      <ol className="printed-columns">
        {blocks.map((block) => (
          <li key={block.id} className="break-inside-avoid border-t border-sand-300 py-[0.2em]">
            <h2 className="text-[1.05em]">
              {formatMinutes(block.from)} {block.name}
            </h2>
            <BlockLines block={block} />
          </li>
        ))}
      </ol>
    </SheetPage>
  );
}

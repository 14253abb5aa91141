import { FURNITURE_NAMES } from "@able-tide/core/body/seats";
import { outOfWater } from "@able-tide/core/leading/in-water";
import { supportModeOf } from "@able-tide/core/movement/support-mode";
import { chairFit, cushionOnSeat } from "@able-tide/core/setup/seating";
import { depthAt, walkRoom } from "@able-tide/core/setup/standing-positions";
import { formatSeatProblem, formatSeatUse, seatLabel } from "@able-tide/words/seats";
import { formatWalkRoom } from "@able-tide/words/setup";
import { count } from "@able-tide/words/text";
import { setUpNumbers } from "../../server/people/set-up-numbers.ts";
import { findFittedPlan } from "../../server/plans/fitted-plan.ts";
import { sessionPlaces } from "../../server/plans/stations.ts";
import { isId } from "../ids.ts";
import { isLargeType, SheetPage } from "../plans/sheet-page.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-set-up-sheet";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.group ?? "Plan"}, setting up · Able Tide` }];

const centimetres = (metres: number): number => Math.round(100 * metres);

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const fitted = isId(params.planId) ? await findFittedPlan(scope, params.planId) : null;
  if (!fitted) throw notFound();
  const { plan, group, setting, sheet, people } = fitted;
  const ashore = outOfWater(sheet.items);
  const { placed, there } = await sessionPlaces(scope, fitted);
  /** How deep the water is where someone stands on the floor plan; null where no one has measured the pool. */
  const depthOfPlace = (personId: string): number | null => {
    const place = there.find(({ id }) => id === personId);
    return place && setting.floor ? depthAt(setting.floor, place) : null;
  };
  return {
    planId: plan.id,
    day: plan.day,
    group: group.name,
    inWater: group.inWater,
    place: setting.fitPlace,
    large: isLargeType(request),
    walks: walkRoom(placed),
    people: people.map(({ person, fit, caps, cells, seated }) => {
      const numbers = setUpNumbers(person, caps);
      const onChair = seated.chair === null ? null : chairFit({ ...person, caps }, seated.chair);
      const inBed = seated.seat?.seat === "bed";
      const modes = cells.flatMap(({ choice }) => (choice ? [supportModeOf(choice)] : []));
      return {
        id: person.id,
        name: person.name,
        seat: numbers.seat,
        chair: seated.chair,
        onSeat: centimetres(onChair?.onSeat ?? 0),
        cushion: centimetres(
          onChair?.underFeet ?? (seated.seat === null ? numbers.cushion / 100 : cushionOnSeat(person, seated.seat)),
        ),
        withArms: numbers.withArms || seated.seat?.seat === "armchair",
        on: seated.seat,
        wheelchair: person.measured.wheelchair,
        wrong: seated.problem,
        entry: caps.some(({ limit }) => limit.channel === "legShare") ? ("hoist or seated entry" as const) : null,
        feetApart: inBed ? null : (numbers.standing?.feetApart ?? null),
        longestStep: inBed ? null : (numbers.standing?.longestStep ?? null),
        depth: depthOfPlace(person.id) ?? fit.depth ?? null,
        rail: modes.filter((mode) => mode === "rail" || mode === "wall").length,
        takesPart: !ashore.includes(person.id),
        sits: cells.some(({ form }) => form === "seated"),
        brings: [person.uses, person.about.equipment].filter(Boolean).join(", "),
      };
    }),
  };
}

/** What is checked before anyone comes. Common practice. */
const CHECKED_IN_A_HALL = "chairs stable, brakes on, floor dry and clear, room temperature, a seat and a drink within reach.";
const CHECKED_AT_THE_POOL =
  "steps, rail and hoist; water temperature and clear water; a lookout who stays dry and does not teach; towels, a seat and a drink at the poolside. Count everyone in.";

/** How deep someone is in the pool, and on what. */
function depthInWords({ takesPart, sits, depth, entry }: Route.ComponentProps["loaderData"]["people"][number]): string {
  if (!takesPart) return "not in the water";
  const metres = depth === null ? "not recorded" : `${depth.toFixed(2)} m`;
  return [metres, sits && "in the pool chair", entry].filter(Boolean).join(", ");
}

/** How many chairs of each height: "7 chairs of 43 cm, 1 chair with arms of 48 cm". */
function chairsInWords(chairs: readonly Route.ComponentProps["loaderData"]["people"][number][]): string[] {
  const kinds = new Map<string, { one: string; more: string; number: number }>();
  for (const { chair, withArms, on } of chairs) {
    const arms = withArms && (chair === null || on?.seat === "armchair") ? " with arms" : "";
    const height = chair === null ? "" : ` of ${centimetres(chair)} cm`;
    const kind = kinds.get(arms + height) ?? { one: `chair${arms}${height}`, more: `chairs${arms}${height}`, number: 0 };
    kinds.set(arms + height, { ...kind, number: kind.number + 1 });
  }
  return [...kinds.values()].map(({ one, more, number }) => count(number, one, more));
}

/** How many seats of each kind to put out: "9 chairs of 43 cm, 1 bench place". */
function seatsInWords(people: Route.ComponentProps["loaderData"]["people"]): string {
  const sit = people.filter(({ wheelchair }) => !wheelchair);
  const chairs = sit.filter(({ on }) => on === null || on.seat === "chair" || on.seat === "armchair");
  const others = FURNITURE_NAMES.flatMap((name) => {
    const places = sit.filter(({ on }) => on?.seat === name).length;
    return places === 0 || name === "chair" || name === "armchair" ? [] : [`${seatLabel(name)}: ${places}`];
  });
  const wheelchairs = people.length - sit.length;
  return [
    ...chairsInWords(chairs),
    ...(wheelchairs > 0 ? [count(wheelchairs, "wheelchair", "wheelchairs")] : []),
    ...others,
  ].join(", ");
}

/** What someone sits on, how high and where on it. */
function seatInWords({
  seat,
  chair: given,
  onSeat,
  withArms,
  on,
  wheelchair,
  wrong,
}: Route.ComponentProps["loaderData"]["people"][number]): string {
  if (wheelchair) return "own wheelchair";
  const height = given === null ? seat : centimetres(given);
  const chair = `${height} cm${withArms && on === null ? ", with arms" : ""}${onSeat > 0 ? `, firm cushion of ${onSeat} cm on it` : ""}`;
  if (wrong !== null) return `${chair}; the nearest seat ${formatSeatProblem(wrong)}`;
  if (on === null) return chair;
  const seatHeight =
    on.height === null ? (on.seat === "chair" || on.seat === "armchair" ? chair : "") : `${Math.round(100 * on.height)} cm`;
  return [formatSeatUse(on), seatHeight].filter(Boolean).join(", ");
}

/**
 * Chairs, cushions, marks on the floor, depths and what people bring: what to put out before anyone comes.
 *
 * Long because it is one printed page.
 */
export default function PlanSetUpSheet({ loaderData }: Route.ComponentProps) {
  const { planId, day, group, inWater, place, large, people, walks } = loaderData;
  const cushions = people.filter(({ cushion }) => cushion > 0).length;
  const chairs = inWater ? people.filter(({ sits }) => sits).length : 0;
  const atRail = people.filter(({ rail }) => rail > 0).length;
  return (
    <SheetPage planId={planId} title={`${group}: setting up`} day={day} large={large}>
      <p className="mb-2">
        {inWater
          ? `${people.filter(({ takesPart }) => takesPart).length} participants in the pool. ${place.pool?.temperature ? `Water ${place.pool.temperature} °C. ` : ""}${atRail} use the wall.${chairs > 0 ? ` ${count(chairs, "pool chair", "pool chairs")} by the hoist, belt and brakes checked.` : ""}`
          : `${seatsInWords(people)}, each with room for the arms. ${count(cushions, "foot cushion", "foot cushions")}; remove before anyone stands up.${atRail > 0 ? ` ${count(atRail, "participant uses", "participants use")} the rail; place their chairs within two steps of it.` : ""}`}
      </p>
      <table className="w-full border-collapse text-left text-[0.8em] sm:text-[0.9em] [&_td]:pr-1 [&_th]:pr-1 print:text-[1em] [.on-paper_&]:text-[1em]">
        <thead>
          <tr className="border-b-2 border-tide-800">
            <th scope="col">Participant</th>
            {inWater ? (
              <th scope="col">Water depth</th>
            ) : (
              <>
                <th scope="col">Seat</th>
                <th scope="col">Cushion</th>
                <th scope="col">Feet apart</th>
                <th scope="col">Longest step</th>
              </>
            )}
            <th scope="col">Place</th>
            <th scope="col">Brings</th>
          </tr>
        </thead>
        <tbody>
          {people.map((person) => (
            <tr key={person.id} className="break-inside-avoid border-b border-sand-300">
              <th scope="row" className="py-1">
                {person.name}
              </th>
              {inWater ? (
                <td>{depthInWords(person)}</td>
              ) : (
                <>
                  <td>{seatInWords(person)}</td>
                  <td>{person.cushion > 0 ? `${person.cushion} cm` : ""}</td>
                  <td>{person.feetApart === null ? "sits" : `${person.feetApart} cm`}</td>
                  <td>{person.longestStep === null ? "" : `${person.longestStep} cm`}</td>
                </>
              )}
              <td>{person.rail > 0 ? (inWater ? "at the wall" : "at the rail") : ""}</td>
              <td>{person.brings}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {formatWalkRoom(walks) && <p className="mt-3 font-semibold">{formatWalkRoom(walks)}</p>}
      <p className="mt-3">Check before every class: {inWater ? CHECKED_AT_THE_POOL : CHECKED_IN_A_HALL}</p>
    </SheetPage>
  );
}

import type { PlanContent } from "@able-tide/core/plan/plan";
import {
  depthAt,
  type FloorPlace,
  placeProblems,
  type StandingPlace,
  standingPlaces,
} from "@able-tide/core/setup/standing-places";
import { formatPositionFinding } from "@able-tide/words/setup";
import { useCallback, useMemo, useState } from "react";
import { findFittedPlan } from "../../server/plans/fitted-plan.ts";
import { placedPeople } from "../../server/plans/placed-people.ts";
import { contentOf } from "../../server/plans/plans.ts";
import { formatDay } from "../days.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { FloorMap } from "../plans/floor-map.tsx";
import { SaveNote } from "../plans/save-note.tsx";
import { useAutosave } from "../plans/use-autosave.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-floor";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.group ?? "Plan"}, places · Able Tide` }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const fitted = isId(params.planId) ? await findFittedPlan(scope, params.planId) : null;
  if (!fitted) throw notFound();
  const { plan, group, setting, people } = fitted;
  const placed = await placedPeople(scope, fitted);
  return {
    plan: { id: plan.id, day: plan.day, version: plan.version },
    content: contentOf(plan),
    group: group.name,
    floor: setting.floor,
    people: placed.map((each, i) => {
      const person = people[i]?.person;
      return { ...each, name: person?.name ?? "", stature: person?.stature ?? 0 };
    }),
  };
}

const WHY: Readonly<Record<StandingPlace["why"], string>> = {
  rail: "at the rail, for support",
  near: "near the instructor, to see and hear",
  helper: "at the end of a row, for the helper",
  depth: "where the water is as deep as meant",
  row: "in a row",
  moved: "position set by you",
};

/** Floor plan, drawn to scale from what people need; dragging overrules it. */
export default function PlanPlaces({ loaderData }: Route.ComponentProps) {
  const { plan, content, group, floor, people } = loaderData;
  const [draft, setDraft] = useState<PlanContent>(content);
  const [chosen, setChosen] = useState<string | null>(null);
  const saving = useAutosave(plan.id, draft, plan.version);
  const moved = useMemo(() => new Map(draft.places.map(({ personId, x, z }) => [personId, { x, z }])), [draft.places]);
  const places = useMemo(() => (floor ? standingPlaces(floor, people, moved) : []), [floor, people, moved]);
  const problems = useMemo(() => (floor ? placeProblems(floor, people, places) : []), [floor, people, places]);
  const move = useCallback((personId: string, to: FloorPlace) => {
    setDraft((before) => ({
      ...before,
      places: [...before.places.filter((place) => place.personId !== personId), { personId, ...to }],
    }));
  }, []);
  const nameOf = (personId: string): string => people.find(({ id }) => id === personId)?.name ?? "";
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-3xl">Floor plan</h1>
          <p className="text-lg text-sand-600">
            {group}, {formatDay(plan.day)}
          </p>
        </div>
        <div className="flex flex-wrap items-center gap-3">
          <SaveNote
            state={saving.state}
            takeTheirs={(theirs, version) => {
              setDraft(theirs);
              saving.goOnFrom(version, theirs);
            }}
            keepOurs={(version) => saving.goOnFrom(version, null)}
          />
          <ButtonLink look="plain" to={`/plans/${plan.id}`}>
            Back to the plan
          </ButtonLink>
        </div>
      </div>
      {floor === null ? (
        <p className="mt-6 rounded-soft border-2 border-dashed border-sand-300 p-8 text-lg">
          This venue has no floor size yet. Add the length and width of the room or pool under Groups to place participants.
        </p>
      ) : (
        <div className="mt-4 grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
          <FloorMap
            floor={floor}
            people={people}
            places={places}
            move={move}
            chosen={chosen}
            choose={setChosen}
            troubled={new Set(problems.map(({ personId }) => personId))}
          />
          <div className="flex flex-col gap-4">
            <section className="rounded-soft border border-sand-300 bg-white p-4">
              <h2 className="text-xl">Room to move</h2>
              {problems.length === 0 ? (
                <p role="status">Everyone has enough room for their arms and for the longest step in this plan.</p>
              ) : (
                <ul role="status" className="list-disc pl-5">
                  {problems.map(({ personId, finding }) => (
                    <li key={`${personId} ${finding.found}`}>
                      <strong>{nameOf(personId)}</strong>: {formatPositionFinding(finding)}
                    </li>
                  ))}
                </ul>
              )}
              <p className="mt-2 text-sand-600">
                Each ring shows the space a participant needs (arm reach or longest step). Drag a participant, or move them with
                the arrow keys.
              </p>
              {draft.places.length > 0 && (
                <Button
                  type="button"
                  look="plain"
                  className="mt-2"
                  onClick={() => setDraft((before) => ({ ...before, places: [] }))}
                >
                  Reset positions
                </Button>
              )}
            </section>
            <ul className="rounded-soft border border-sand-300 bg-white p-4">
              {places.map((place) => {
                const depth = depthAt(floor, place);
                return (
                  <li key={place.personId} className={place.personId === chosen ? "font-semibold" : ""}>
                    {nameOf(place.personId)}:{" "}
                    {place.why === "rail" && depth !== null ? "at the wall, for support" : WHY[place.why]}
                    {depth !== null && `, ${depth.toFixed(2)} m deep`}
                  </li>
                );
              })}
            </ul>
          </div>
        </div>
      )}
    </>
  );
}

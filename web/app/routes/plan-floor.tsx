import { itemAt } from "@able-tide/core/checked-access";
import type { PlanContent } from "@able-tide/core/plan/plan";
import type { FloorPosition } from "@able-tide/core/setup/floor-position";
import { positionProblems } from "@able-tide/core/setup/position-problems";
import { standingPositions } from "@able-tide/core/setup/standing-positions";
import { stationsOf } from "@able-tide/core/setup/stations";
import { variantWords } from "@able-tide/words/variant-words";
import { useCallback, useMemo, useState } from "react";
import { sitterOf } from "../../server/plans/fit-people.ts";
import { findFittedPlan } from "../../server/plans/fitted-plan.ts";
import { contentOf } from "../../server/plans/plans.ts";
import { sessionPlaces } from "../../server/plans/stations.ts";
import { formatDay } from "../days.ts";
import { isId } from "../ids.ts";
import { ButtonLink } from "../kit/button.tsx";
import { FloorMap } from "../plans/floor-map.tsx";
import { movedFigures } from "../plans/floor-position.ts";
import { PositionNotes } from "../plans/position-notes.tsx";
import { SaveNote } from "../plans/save-note.tsx";
import { SeatList } from "../plans/seat-list.tsx";
import { StationList } from "../plans/station-list.tsx";
import { useAutosave } from "../plans/use-autosave.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-floor";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.group ?? "Plan"}, places · Able Tide` }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const fitted = isId(params.planId) ? await findFittedPlan(scope, params.planId) : null;
  if (!fitted) throw notFound();
  const { plan, group, setting, people } = fitted;
  const { placed, watched } = await sessionPlaces(scope, fitted);
  return {
    plan: { id: plan.id, day: plan.day, revision: plan.revision },
    content: contentOf(plan),
    group: group.name,
    helpers: group.helpers,
    floor: setting.floor,
    watched,
    items: fitted.reading.blocks.map(({ id, from, movement }, i) => ({
      id,
      from,
      name: variantWords(movement, itemAt(fitted.sheet.items, i).shownVariant).name,
    })),
    seats: group.inWater ? [] : setting.seats,
    sitters: group.inWater ? [] : people.map(({ person, caps }) => ({ ...sitterOf(person, caps), name: person.name })),
    people: people.flatMap(({ person }) => {
      const own = placed.find(({ id }) => id === person.id);
      return own ? [{ ...own, name: person.name }] : [];
    }),
    ashore: people.filter(({ person }) => !placed.some(({ id }) => id === person.id)).map(({ person }) => person.name),
  };
}

/**
 * Floor plan, drawn to scale from what people need; dragging overrules it.
 *
 * Long because map, notes and saving share one draft.
 */
export default function PlanPlaces({ loaderData }: Route.ComponentProps) {
  const { plan, content, group, helpers, floor, watched, items, people, seats, sitters, ashore } = loaderData;
  const [draft, setDraft] = useState<PlanContent>(content);
  const [chosen, setChosen] = useState<string | null>(null);
  const saving = useAutosave(plan.id, draft, plan.revision);
  const moved = useMemo(() => new Map(draft.places.map(({ personId, x, z }) => [personId, { x, z }])), [draft.places]);
  const places = useMemo(() => (floor ? standingPositions(floor, people, moved) : []), [floor, people, moved]);
  const problems = useMemo(() => (floor ? positionProblems(floor, people, places) : []), [floor, people, places]);
  const stations = useMemo(
    () => (floor ? stationsOf(floor, helpers, movedFigures(watched, places)) : []),
    [floor, helpers, watched, places],
  );
  const [shown, setShown] = useState(0);
  const move = useCallback((personId: string, to: FloorPosition) => {
    setDraft((before) => ({
      ...before,
      places: [...before.places.filter((place) => place.personId !== personId), { personId, ...to }],
    }));
  }, []);
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-3xl">Floor plan and seats</h1>
          <p className="text-lg text-sand-600">
            {group}, {formatDay(plan.day)}
          </p>
        </div>
        <div className="flex flex-wrap items-center gap-3">
          <SaveNote
            state={saving.state}
            takeTheirs={(theirs, revision) => {
              setDraft(theirs);
              saving.goOnFrom(revision, theirs);
            }}
            keepOurs={(revision) => saving.goOnFrom(revision, null)}
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
            positions={places}
            move={move}
            chosen={chosen}
            choose={setChosen}
            troubled={new Set(problems.map(({ personId }) => personId))}
            station={stations[shown] ?? stations[0] ?? null}
          />
          <div className="flex flex-col gap-4">
            <StationList
              floor={floor}
              stations={stations}
              items={items}
              people={people.map(({ id, name }) => ({ id, name, x: 0, z: 0, ...places.find(({ personId }) => personId === id) }))}
              shown={stations[shown] ? shown : 0}
              show={setShown}
            />
            <PositionNotes
              floor={floor}
              people={people}
              positions={places}
              ashore={ashore}
              problems={problems}
              chosen={chosen}
              reset={draft.places.length > 0 ? () => setDraft((before) => ({ ...before, places: [] })) : null}
            />
          </div>
        </div>
      )}
      {sitters.length > 0 && (
        <SeatList
          people={sitters}
          seats={seats}
          chosen={draft.seats}
          choose={(chosenSeats) => setDraft((before) => ({ ...before, seats: chosenSeats }))}
        />
      )}
    </>
  );
}

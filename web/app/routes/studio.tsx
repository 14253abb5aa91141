import { movementProblems } from "@able-tide/core/movement/check-movement";
import { idFromName } from "@able-tide/core/movement/edit";
import { taughtName } from "@able-tide/core/movement/format";
import { readMovement } from "@able-tide/core/movement/read-file";
import { withStates } from "@able-tide/core/movement/start-and-end";
import { formatFileProblems, type SaidProblem } from "@able-tide/words/file-problem";
import type { SubmissionResult } from "@conform-to/react";
import { data, redirect } from "react-router";
import { OwnNameForm } from "../../forms/own-name-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { archiveMovement, bringMovementBack } from "../../server/movements/archive-movement.ts";
import { deleteMovement, listMovements, nameMovement, saveMovements } from "../../server/movements/movements.ts";
import { listPeople } from "../../server/people/people.ts";
import type { Scope } from "../../server/scope.ts";
import { formDataOf, intentOf } from "../form-data.server.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import { ArchiveMovement } from "../studio/archive-movement.tsx";
import { OwnName } from "../studio/own-name.tsx";
import { SAVE_FORM, Studio } from "../studio/studio.tsx";
import type { Route } from "./+types/studio";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData ? taughtName(loaderData.movement) : "Movement editor"} · Able Tide` },
];

const listed = async (scope: Scope, id: string) => (await listMovements(scope)).find(({ movement }) => movement.id === id);

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const found = await listed(scope, params.movementId);
  if (!found) throw notFound();
  const people = (await listPeople(scope)).map(({ id, name, stature, mass, measured }) => ({
    id,
    name,
    stature,
    mass,
    measured,
  }));
  return { ...found, people };
}

/** An id that no other movement has: from the name, with a number where it is taken. */
async function freeId(scope: Scope, name: string): Promise<string> {
  const taken = new Set((await listMovements(scope)).map(({ movement }) => movement.id));
  const wanted = idFromName(name);
  for (let number = 1; ; number += 1) {
    const id = number === 1 ? wanted : `${wanted}-${number}`;
    if (!taken.has(id)) return id;
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const found = await listed(scope, params.movementId);
  if (!found) throw notFound();
  const form = await formDataOf(request);
  switch (intentOf(form, ["save", "name", "delete", "archive", "bring-back"])) {
    case "delete":
      return removeMovement(scope, found.movement.id);
    case "archive":
      await archiveMovement(scope, found.movement.id);
      return redirect("/movements");
    case "bring-back":
      await bringMovementBack(scope, found.movement.id);
      return data<Answer>({ problems: [] });
    case "name":
      return saveOwnName(scope, found.movement.id, form);
    case "save":
      return saveDrawn(scope, found, String(form.get("document") ?? ""));
  }
}

async function removeMovement(scope: Scope, id: string) {
  const outcome = await deleteMovement(scope, id);
  if (outcome === "deleted") return redirect("/movements");
  const message =
    outcome === "planned"
      ? "This movement is used in a plan. Remove it from the plan first."
      : "Built-in movements cannot be deleted. Save a copy to change it.";
  return data<Answer>({ problems: [{ path: "", message }] }, { status: 409 });
}

async function saveOwnName(scope: Scope, id: string, form: FormData) {
  const submission = parseForm(form, { schema: OwnNameForm });
  if (submission.status !== "success") return data<Answer>({ problems: [], ownName: submission.reply() }, { status: 422 });
  await nameMovement(scope, id, submission.value.ownName);
  return data<Answer>({ problems: [], ownName: submission.reply() });
}

/** Saves the movement as it was drawn; a built-in one as a copy. */
async function saveDrawn(scope: Scope, found: NonNullable<Awaited<ReturnType<typeof listed>>>, document: string) {
  const read = readMovement(document);
  if (!read.movement) return data<Answer>({ problems: formatFileProblems(read.problems) }, { status: 422 });
  const movement = withStates(read.movement);
  const problems = movementProblems(movement);
  if (problems.length > 0) return data<Answer>({ problems: formatFileProblems(problems) }, { status: 422 });
  const id = found.shipped ? await freeId(scope, movement.name.en) : found.movement.id;
  await saveMovements(scope, [{ ...movement, id, name: { en: movement.name.en } }]);
  return redirect(`/movements/${id}/studio`);
}

interface Answer {
  readonly problems: readonly SaidProblem[];
  readonly ownName?: SubmissionResult<string[]>;
}

export default function StudioPage({ loaderData, actionData }: Route.ComponentProps) {
  const { movement, shipped, archived, people } = loaderData;
  const answer: Answer = actionData ?? { problems: [] };
  return (
    <>
      <PageHead title={taughtName(movement)} note={shipped ? "Built in" : "Added by you"}>
        <ButtonLink look="plain" to={`/movements/${movement.id}/file`} reloadDocument>
          File
        </ButtonLink>
        <Button form={SAVE_FORM} name="intent" value="save">
          {shipped ? "Save as a copy" : "Save"}
        </Button>
      </PageHead>
      <Studio key={JSON.stringify(movement)} movement={movement} shipped={shipped} people={people} problems={answer.problems} />
      <ArchiveMovement movement={movement} archived={archived} />
      <OwnName key={`own ${movement.name.own}`} movement={movement} lastResult={answer.ownName ?? null} />
    </>
  );
}

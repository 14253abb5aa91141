import { onRail } from "@able-tide/core/body/supports";
import { FORM_KINDS, FULL_STANDING } from "@able-tide/core/movement/form";
import { type MovementFileProblem, PHASES, readMovement } from "@able-tide/core/movement/format";
import { sampleTrack } from "@able-tide/core/movement/samples";
import { trackOf } from "@able-tide/core/movement/track";
import { data, Form } from "react-router";
import { asksOf } from "../../server/movements/asks.ts";
import { keepMovement, listMovements } from "../../server/movements/movements.ts";
import { formDataOf } from "../form-data.server.ts";
import { Button } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { FindForm } from "../movements/find-form.tsx";
import { isFound, readFinding } from "../movements/finding.ts";
import { MovementCard } from "../movements/movement-card.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/movements";

export const meta: Route.MetaFunction = () => [{ title: "Movements · Able Tide" }];

const LARGEST_FILE = 200_000;

export async function loader({ request, context }: Route.LoaderArgs) {
  const finding = readFinding(new URL(request.url).searchParams);
  const all = (await listMovements(context.get(scopeContext))).map((listed) => ({ ...listed, asks: asksOf(listed.movement) }));
  return { finding, all: all.length, movements: all.filter(({ movement, asks }) => isFound(finding, movement, asks)) };
}

const refused = (problems: readonly MovementFileProblem[]) => data({ kept: null, problems }, { status: 422 });

export async function action({ request, context }: Route.ActionArgs) {
  const file = (await formDataOf(request)).get("file");
  if (!(file instanceof File) || file.size === 0) return refused([{ path: "", message: "Please choose a movement file." }]);
  if (file.size > LARGEST_FILE)
    return refused([{ path: file.name, message: "is larger than a movement file should be (200 kB)" }]);
  const { movement, problems } = readMovement(await file.text());
  if (!movement) return refused(problems);
  // What no body can do is refused here, so that no plan ever meets it.
  for (const kind of FORM_KINDS) {
    const track = trackOf(movement, { ...FULL_STANDING, kind, hold: kind === "supported" ? onRail("right") : null }, "right");
    const trouble = track && sampleTrack(track).problem;
    if (trouble) {
      const message = `at ${Math.round(100 * trouble.phase)} % of a round the body cannot do this`;
      return refused([{ path: `forms.${kind}`, message }]);
    }
  }
  if ((await keepMovement(context.get(scopeContext), movement)) === "shipped")
    return refused([{ path: "id", message: `"${movement.id}" is a movement that comes with Able Tide; give yours another id` }]);
  return data({ kept: movement.name.en, problems: [] });
}

export default function Movements({ loaderData: { finding, all, movements }, actionData }: Route.ComponentProps) {
  const inOrder = PHASES.flatMap((phase) => movements.filter(({ movement }) => movement.phase === phase));
  return (
    <>
      <PageHead title="Movements" note={`${movements.length} of ${all}. Every number is computed from the key poses.`} />
      <FindForm key={JSON.stringify(finding)} finding={finding} />
      {movements.length === 0 && <p className="mb-8 text-lg">No movement is like that. Look for less.</p>}
      <ul className="mb-8 grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
        {inOrder.map((listed) => (
          <MovementCard key={listed.movement.id} {...listed} />
        ))}
      </ul>
      <section className="max-w-2xl rounded-soft border border-sand-300 bg-white p-6" aria-labelledby="import-head">
        <h2 id="import-head" className="mb-2 text-xl">
          Bring a movement from a file
        </h2>
        <Form method="post" encType="multipart/form-data" className="flex flex-wrap items-end gap-4">
          <div>
            <label htmlFor="file" className="mb-1 block font-semibold">
              Movement file <span className="font-normal text-sand-600">JSON</span>
            </label>
            <input
              id="file"
              type="file"
              name="file"
              accept="application/json,.json"
              className="field-box"
              aria-describedby={actionData?.problems.length ? "file-problems" : undefined}
              aria-invalid={actionData?.problems.length ? true : undefined}
            />
          </div>
          <Button look="plain">Bring it in</Button>
        </Form>
        {actionData && actionData.problems.length > 0 && (
          <div id="file-problems" className="mt-3 text-signal-700">
            <p className="font-semibold">Nothing was brought in. Please mend the file and choose it again.</p>
            <ul className="list-disc pl-6">
              {actionData.problems.map((problem) => (
                <li key={`${problem.path} ${problem.message}`}>
                  {problem.path && <strong>{problem.path}</strong>} {problem.message}
                </li>
              ))}
            </ul>
          </div>
        )}
        {actionData?.kept && (
          <p role="status" className="mt-3 font-semibold text-tide-700">
            {actionData.kept} is one of your movements now.
          </p>
        )}
      </section>
    </>
  );
}

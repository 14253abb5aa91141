import { FORM_KINDS, FULL_STANDING } from "@able-tide/core/movement/form";
import { type Movement, type MovementFileProblem, PHASES, readMovement } from "@able-tide/core/movement/format";
import { sampleTrack } from "@able-tide/core/movement/samples";
import { trackOf } from "@able-tide/core/movement/track";
import { Download } from "lucide-react";
import { data, Form } from "react-router";
import { keepMovement, listMovements } from "../../server/movements/movements.ts";
import { formDataOf } from "../form-data.server.ts";
import { Button } from "../kit/button.tsx";
import { bestView, FigureStrip } from "../kit/moving-figure.tsx";
import { PageHead } from "../kit/shell.tsx";
import { Vessel } from "../kit/vessel.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/movements";

export const meta: Route.MetaFunction = () => [{ title: "Movements · Able Tide" }];

const LARGEST_FILE = 200_000;

export async function loader({ context }: Route.LoaderArgs) {
  return { movements: await listMovements(context.get(scopeContext)) };
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
    const track = trackOf(movement, { ...FULL_STANDING, kind, hold: kind === "supported" ? "right" : null }, "right");
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

/** The movement in the first form it has: standing, or on a chair, or in water. */
const firstTrack = (movement: Movement) =>
  (["standing", "seated", "water"] as const)
    .map((kind) => trackOf(movement, { ...FULL_STANDING, kind }, "right"))
    .find((track) => track !== null) ?? null;

function MovementCard({ movement, shipped }: { movement: Movement; shipped: boolean }) {
  const track = firstTrack(movement);
  return (
    <li className="flex flex-col rounded-soft border border-sand-300 bg-white p-4">
      {track && <FigureStrip samples={sampleTrack(track)} view={bestView(movement)} className="h-40" />}
      <h3 className="mt-2 text-lg">{movement.name.en}</h3>
      <p className="text-sand-600">
        {movement.phase} · {movement.purpose.join(", ")}
      </p>
      <p className="mt-1">{movement.cues.do}</p>
      <div className="mt-auto flex items-center gap-2 pt-2">
        {FORM_KINDS.filter((kind) => (movement.forms[kind] ?? false) !== false).map((kind) => (
          <Vessel key={kind} form={kind} level={1} hold={kind === "supported" ? "left" : null} label={kind} size={24} />
        ))}
        <span className="text-sand-600">{movement.sided ? "each side" : "both sides in a round"}</span>
        <a
          href={`/movements/${movement.id}/file`}
          download
          className="ml-auto flex min-h-11 items-center gap-1 underline underline-offset-4"
        >
          <Download size={18} aria-hidden="true" /> File<span className="sr-only"> of {movement.name.en}</span>
        </a>
      </div>
      {!shipped && <p className="text-sand-600">your own</p>}
    </li>
  );
}

export default function Movements({ loaderData: { movements }, actionData }: Route.ComponentProps) {
  const inOrder = PHASES.flatMap((phase) => movements.filter(({ movement }) => movement.phase === phase));
  return (
    <>
      <PageHead title="Movements" note="Every number is computed from the key poses. Change a pose and every demand follows." />
      <ul className="mb-8 grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
        {inOrder.map(({ movement, shipped }) => (
          <MovementCard key={movement.id} movement={movement} shipped={shipped} />
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

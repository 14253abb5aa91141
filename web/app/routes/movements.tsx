import { PHASES } from "@able-tide/core/movement/format";
import type { SaidProblem } from "@able-tide/words/file-problem";
import { count } from "@able-tide/words/text";
import { Download } from "lucide-react";
import { data, Form } from "react-router";
import { importMovements } from "../../server/movements/import-movements.ts";
import { formDataOf } from "../form-data.server.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { FindForm } from "../movements/find-form.tsx";
import { readFinding } from "../movements/finding.ts";
import { foundMovements } from "../movements/found-movements.server.ts";
import { MovementCard } from "../movements/movement-card.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/movements";

export const meta: Route.MetaFunction = () => [{ title: "Movements · Able Tide" }];

const LARGEST_FILE = 2_000_000;

export async function loader({ request, context }: Route.LoaderArgs) {
  const finding = readFinding(new URL(request.url).searchParams);
  const { all, found } = await foundMovements(context.get(scopeContext), finding);
  return { finding, all, movements: found };
}

const refused = (problems: readonly SaidProblem[]) => data({ taken: [], problems }, { status: 422 });

export async function action({ request, context }: Route.ActionArgs) {
  const chosen = (await formDataOf(request)).getAll("file").filter((file) => file instanceof File && file.size > 0) as File[];
  if (chosen.length === 0) return refused([{ path: "", message: "Choose a movement file." }]);
  const large = chosen.filter(({ size }) => size > LARGEST_FILE);
  if (large.length > 0)
    return refused(large.map(({ name }) => ({ path: name, message: "is over 2 MB. Choose a smaller file." })));
  const files = await Promise.all(chosen.map(async (file) => ({ name: file.name, source: await file.text() })));
  const { taken, problems } = await importMovements(context.get(scopeContext), files);
  return problems.length > 0 ? refused(problems) : data({ taken, problems: [] });
}

const takenInWords = (taken: readonly string[]): string => {
  const [first] = taken;
  if (first === undefined) return "These movements are already in Able Tide.";
  return taken.length === 1 ? `${first} imported.` : `${taken.length} movements imported: ${taken.join(", ")}.`;
};

/** How many movements are shown, and of how many where a filter leaves some out. */
const shownOf = (shown: number, all: number): string =>
  shown === all ? count(all, "movement", "movements") : `${shown} of ${count(all, "movement", "movements")}`;

/** Movements that a phone shows before it is asked for all; the style sheet below hides the others by the same number. */
const FIRST_ON_PHONE = 8;

/** Long because it lists, finds and imports on one page. */
export default function Movements({ loaderData: { finding, all, movements }, actionData }: Route.ComponentProps) {
  const inOrder = PHASES.flatMap((phase) => movements.filter(({ movement }) => movement.phase === phase));
  return (
    <>
      <PageHead title="Movements" note={`${shownOf(movements.length, all)}. All figures are estimated from the key poses.`}>
        <ButtonLink look="plain" to="/combinations">
          Combinations
        </ButtonLink>
      </PageHead>
      <FindForm key={JSON.stringify(finding)} finding={finding} />
      {movements.length > 0 && (
        <p className="mb-4">
          <a
            href={`/movements/file?${new URLSearchParams(finding)}`}
            download
            className="inline-flex min-h-11 items-center gap-1 underline underline-offset-4"
          >
            <Download size={18} aria-hidden="true" /> Export {movements.length === all ? "all" : "these"}{" "}
            {count(movements.length, "movement", "movements")}
          </a>
        </p>
      )}
      {movements.length === 0 && <p className="mb-8 text-lg">No movement matches. Remove a filter.</p>}
      {inOrder.length > FIRST_ON_PHONE && (
        <input type="checkbox" id="all-movements" className="peer sr-only sm:hidden" aria-label="Show all movements" />
      )}
      <ul className="mb-8 grid gap-4 sm:grid-cols-2 lg:grid-cols-3 max-sm:[&>li:nth-child(n+9)]:hidden max-sm:peer-checked:[&>li:nth-child(n+9)]:flex">
        {inOrder.map((listed) => (
          <MovementCard key={listed.movement.id} {...listed} />
        ))}
      </ul>
      {inOrder.length > FIRST_ON_PHONE && (
        <label
          htmlFor="all-movements"
          className="mb-8 flex min-h-11 items-center justify-center rounded-full border-[1.5px] border-tide-800 px-5 font-semibold peer-checked:hidden peer-focus-visible:outline-3 sm:hidden"
        >
          Show all {inOrder.length} movements
        </label>
      )}
      <section className="max-w-2xl rounded-soft border border-sand-300 bg-white p-6" aria-labelledby="import-head">
        <h2 id="import-head" className="mb-2 text-xl">
          Import movements
        </h2>
        <Form method="post" encType="multipart/form-data" className="flex flex-wrap items-end gap-4">
          <div>
            <label htmlFor="file" className="mb-1 block font-semibold">
              Movement files <span className="font-normal text-sand-600">JSON, one movement or many</span>
            </label>
            <input
              id="file"
              type="file"
              name="file"
              multiple
              accept="application/json,.json"
              className="field-box"
              aria-describedby={actionData?.problems.length ? "file-problems" : undefined}
              aria-invalid={actionData?.problems.length ? true : undefined}
            />
          </div>
          <Button look="plain">Import</Button>
        </Form>
        {actionData && actionData.problems.length > 0 && (
          <div id="file-problems" className="mt-3 text-signal-700">
            <p className="font-semibold">Nothing was imported. Correct the problems listed here and choose the file again.</p>
            <ul className="list-disc pl-6">
              {actionData.problems.map((problem) => (
                <li key={`${problem.path} ${problem.message}`}>
                  {problem.path && <strong>{problem.path}</strong>} {problem.message}
                </li>
              ))}
            </ul>
          </div>
        )}
        {actionData && actionData.problems.length === 0 && (
          <p role="status" className="mt-3 font-semibold text-tide-700">
            {takenInWords(actionData.taken)}
          </p>
        )}
      </section>
    </>
  );
}

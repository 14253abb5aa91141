import { taughtName } from "@able-tide/core/movement/format";
import type { Combination } from "@able-tide/core/plan/combination";
import { readCombinationFile } from "@able-tide/core/plan/combination-file";
import { USUAL_STYLE } from "@able-tide/core/plan/style";
import { type CombinationOutline, outlineCombination } from "@able-tide/core/schedule/combination-outline";
import type { PlanContext } from "@able-tide/core/schedule/schedule-plan";
import { formatPass, partOrderLabel } from "@able-tide/words/combination";
import { formatFileProblems, type SaidProblem } from "@able-tide/words/file-problem";
import { formatState } from "@able-tide/words/schedule";
import { count, formatMinutes } from "@able-tide/words/text";
import { Download } from "lucide-react";
import { data, Form } from "react-router";
import { importMissing } from "../../server/movements/import-movements.ts";
import { listMovements } from "../../server/movements/movements.ts";
import { listCombinations, removeCombination, saveCombination } from "../../server/plans/combinations.ts";
import type { Scope } from "../../server/scope.ts";
import { formDataOf, idOf, intentOf } from "../form-data.server.ts";
import { Button } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/combinations";

export const meta: Route.MetaFunction = () => [{ title: "Combinations · Able Tide" }];

/** A combination is told for a hall with chairs and a rail, in the style that ships, by a group that knows its parts. */
const USUAL_CIRCUMSTANCES: PlanContext = {
  style: USUAL_STYLE,
  breathSeconds: USUAL_STYLE.breathSeconds,
  seatedOnly: false,
  supports: { chairs: true, rail: "right", pool: false },
  week: 0,
  slowestCycle: 0,
  familiarityWith: () => "known",
};

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const [combinations, movements] = await Promise.all([listCombinations(scope), listMovements(scope)]);
  const known = movements.map(({ movement }) => movement);
  const names = new Map(known.map((movement) => [movement.id, taughtName(movement)]));
  return {
    combinations: combinations.map(({ id, combination }) => ({
      id,
      combination,
      outline: outlineCombination(combination, known, USUAL_STYLE.rounds, USUAL_CIRCUMSTANCES),
      names: combination.parts.map(({ movementId }) => names.get(movementId) ?? movementId),
    })),
  };
}

interface Answer {
  readonly taken: string | null;
  readonly problems: readonly SaidProblem[];
}
const refused = (problems: readonly SaidProblem[]) => data<Answer>({ taken: null, problems }, { status: 422 });

const WHY_NOT = {
  taken: "The library has another combination with this name.",
  full: "The library has 200 combinations. Remove one that you no longer teach.",
} as const;

/** Takes a combination in, and what its file brings of movements that are not here. */
async function importCombination(scope: Scope, source: string) {
  const { file, problems } = readCombinationFile(source);
  if (!file) return refused(formatFileProblems(problems));
  const missing = await importMissing(scope, file.movements);
  if (missing.length > 0) return refused(missing);
  const outcome = await saveCombination(scope, file.combination);
  if (outcome !== "saved") return refused([{ path: "", message: WHY_NOT[outcome] }]);
  return data<Answer>({ taken: file.combination.name, problems: [] });
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const formData = await formDataOf(request);
  if (intentOf(formData, ["remove", "import"]) === "remove") {
    await removeCombination(scope, idOf(formData, "combinationId"));
    return null;
  }
  const file = formData.get("file");
  if (!(file instanceof File) || file.size === 0) return refused([{ path: "", message: "Choose a combination file." }]);
  return importCombination(scope, await file.text());
}

interface CardProps {
  readonly id: string;
  readonly combination: Combination;
  readonly names: readonly string[];
  readonly outline: CombinationOutline | null;
}

/** A combination with its parts and passes, how it begins and ends, and how long it takes. */
function CombinationCard({ id, combination, names, outline }: CardProps) {
  const { name, parts, order, passes } = combination;
  return (
    <li className="flex min-w-0 flex-col gap-1 rounded-soft border border-sand-300 bg-white p-4">
      <h2 className="text-lg">{name}</h2>
      <ol className="list-decimal pl-6">
        {parts.map(({ times = 1 }, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a movement may be a part more than once
          <li key={i}>
            {names[i]}
            {times > 1 && `, ${times} times`}
          </li>
        ))}
      </ol>
      <p className="text-sand-600">{partOrderLabel(order)}.</p>
      <p>
        <span className="font-semibold">Passes:</span> {passes.map(formatPass).join("; ")}.
      </p>
      {outline && (
        <dl className="grid grid-cols-[auto_1fr] gap-x-3">
          <dt className="font-semibold">Begins</dt>
          <dd>{formatState(outline.begins)}</dd>
          <dt className="font-semibold">Ends</dt>
          <dd>{formatState(outline.ends)}</dd>
          <dt className="font-semibold">Takes</dt>
          <dd>
            about {formatMinutes(outline.seconds)} with {count(USUAL_STYLE.rounds, "repetition", "repetitions")} at{" "}
            {USUAL_STYLE.breathSeconds} s a breath
          </dd>
        </dl>
      )}
      <div className="mt-auto flex flex-wrap items-center gap-4 pt-2">
        <a href={`/combinations/${id}/file`} download className="flex min-h-11 items-center gap-1 underline underline-offset-4">
          <Download size={18} aria-hidden="true" /> Export<span className="sr-only"> {name}</span>
        </a>
        <Form method="post" className="ml-auto">
          <input type="hidden" name="combinationId" value={id} />
          <button type="submit" name="intent" value="remove" className="min-h-11 underline underline-offset-4">
            Remove<span className="sr-only"> {name}</span>
          </button>
        </Form>
      </div>
    </li>
  );
}

/** Combinations that are saved in the library, and those of others that are taken in. */
export default function Combinations({ loaderData: { combinations }, actionData }: Route.ComponentProps) {
  const problems = actionData?.problems ?? [];
  return (
    <>
      <PageHead
        title="Combinations"
        note="Movements taught as one thing: in parts, then joined, then with few words. Save one from a plan; add it to any plan."
      />
      {combinations.length === 0 && (
        <p className="mb-8 text-lg">
          No combination is saved yet. On a plan, choose a movement, combine it with the next, and save it in the library.
        </p>
      )}
      <ul className="mb-8 grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
        {combinations.map((each) => (
          <CombinationCard key={each.id} {...each} />
        ))}
      </ul>
      <section className="max-w-2xl rounded-soft border border-sand-300 bg-white p-6" aria-labelledby="import-head">
        <h2 id="import-head" className="mb-2 text-xl">
          Import a combination
        </h2>
        <Form method="post" encType="multipart/form-data" className="flex flex-wrap items-end gap-4">
          <div>
            <label htmlFor="file" className="mb-1 block font-semibold">
              Combination file <span className="font-normal text-sand-600">JSON, with its movements</span>
            </label>
            <input
              id="file"
              type="file"
              name="file"
              accept="application/json,.json"
              className="field-box"
              aria-describedby={problems.length > 0 ? "file-problems" : undefined}
              aria-invalid={problems.length > 0 ? true : undefined}
            />
          </div>
          <Button look="plain" name="intent" value="import">
            Import
          </Button>
        </Form>
        {problems.length > 0 && (
          <ul id="file-problems" role="alert" className="mt-3 font-semibold text-signal-700">
            {problems.slice(0, 12).map(({ path, message }) => (
              <li key={`${path} ${message}`}>
                {path && <code>{path}</code>} {message}
              </li>
            ))}
          </ul>
        )}
        {actionData?.taken && (
          <p role="status" className="mt-3 font-semibold text-tide-700">
            {actionData.taken} imported.
          </p>
        )}
      </section>
    </>
  );
}

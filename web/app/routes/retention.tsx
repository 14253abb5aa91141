import { count } from "@able-tide/words/text";
import { data } from "react-router";
import { parseForm } from "../../forms/parse-form.ts";
import { RetentionForm } from "../../forms/retention-form.ts";
import { changeRetention, erasePast, findRetention, pastRetention } from "../../server/policy/retention.ts";
import { unconfirmed } from "../confirmed.server.ts";
import { formatDay } from "../days.ts";
import { formDataOf, intentOf } from "../form-data.server.ts";
import { ButtonLink } from "../kit/button.tsx";
import { ConfirmForGood } from "../kit/confirm-for-good.tsx";
import { type FormAnswer, resultOf } from "../kit/form-answer.ts";
import { PageHead } from "../kit/shell.tsx";
import { pastWords } from "../organisation/past-words.ts";
import { RetentionSettings } from "../organisation/retention-settings.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/retention";

export const meta: Route.MetaFunction = () => [{ title: "How long records are kept · Able Tide" }];

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const [retention, past] = await Promise.all([findRetention(scope), pastRetention(scope)]);
  return { retention, past, organisation: scope.organisationName };
}

type Answer = FormAnswer & { readonly done?: string };

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const formData = await formDataOf(request);
  if (intentOf(formData, ["retention", "erase-past"]) === "erase-past") {
    const result = await unconfirmed(scope, formData, scope.organisationName);
    if (result) return data<Answer>({ form: "erase-past", result }, { status: 422 });
    return data<Answer>({ form: "", result: {}, done: `Erased: ${pastWords(await erasePast(scope)) || "nothing"}.` });
  }
  const submission = parseForm(formData, { schema: RetentionForm });
  const answer = { form: "retention", result: submission.reply() };
  if (submission.status !== "success") return data<Answer>(answer, { status: 422 });
  const { personYears = null, classYears = null } = submission.value;
  await changeRetention(scope, { personYears, classYears });
  return data<Answer>(answer);
}

export default function RetentionPage({ loaderData, actionData }: Route.ComponentProps) {
  const { retention, past, organisation } = loaderData;
  const answer = (actionData as Answer | undefined) ?? null;
  const nothing = past.people.length + past.classes.length === 0;
  return (
    <>
      <PageHead title="How long records are kept" note="Local law may ask for a shortest or a longest period. Check yours.">
        <ButtonLink look="plain" to="/organisation">
          Back to the organisation
        </ButtonLink>
      </PageHead>
      <div className="grid items-start gap-8 lg:grid-cols-2">
        <section className="rounded-soft border border-sand-300 bg-white p-6" aria-labelledby="periods">
          <h2 id="periods" className="mb-3 text-2xl">
            Periods
          </h2>
          <RetentionSettings retention={retention} lastResult={resultOf(answer, "retention")} />
          <p className="mt-4 text-sand-600">
            Nothing is erased by itself. What is past its period is listed here, and an owner erases it.
          </p>
        </section>
        <section className="rounded-soft border border-sand-300 bg-white p-6" aria-labelledby="past">
          <h2 id="past" className="mb-3 text-2xl">
            Past their period
          </h2>
          {answer?.done && (
            <p role="status" className="mb-3 font-semibold text-tide-700">
              {answer.done}
            </p>
          )}
          {nothing && <p className="text-lg">Nothing is.</p>}
          {past.people.length > 0 && (
            <p className="mb-3 text-lg">
              <strong>{count(past.people.length, "participant", "participants")}:</strong>{" "}
              {past.people.map(({ name }) => name).join(", ")}
            </p>
          )}
          {past.classes.length > 0 && (
            <p className="mb-3 text-lg">
              <strong>{count(past.classes.length, "class record", "class records")}:</strong> from{" "}
              {past.classes.slice(0, 1).map(({ day }) => `${formatDay(day)} ${day.slice(0, 4)}`)} to{" "}
              {past.classes.slice(-1).map(({ day }) => `${formatDay(day)} ${day.slice(0, 4)}`)}
            </p>
          )}
          {!nothing && (
            <>
              <p className="mb-3">Export first what you need to keep. Back-ups that were made before still have it.</p>
              <ConfirmForGood name={organisation} intent="erase-past" lastResult={resultOf(answer, "erase-past")}>
                Erase all of these for good
              </ConfirmForGood>
            </>
          )}
        </section>
      </div>
    </>
  );
}

import { holdsOn } from "@able-tide/core/caps/cap";
import type { SubmissionResult } from "@conform-to/react";
import { parseWithValibot } from "@conform-to/valibot";
import { Pencil, Plus } from "lucide-react";
import { data } from "react-router";
import { listGroups } from "../../server/groups/groups.ts";
import { addCap, capHistory, endCap } from "../../server/people/caps.ts";
import { changePerson, findPerson } from "../../server/people/people.ts";
import { setUpNumbers } from "../../server/people/set-up-numbers.ts";
import { type Scope, today } from "../../server/scope.ts";
import { formDataOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { ButtonLink } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { CapFields } from "../people/cap-fields.tsx";
import { CapForm } from "../people/cap-form.ts";
import { CapList } from "../people/cap-list.tsx";
import { EndCapForm } from "../people/end-cap-form.ts";
import { knownGroups } from "../people/known-groups.server.ts";
import { LimitsFigure } from "../people/limits-figure.tsx";
import { PersonFields } from "../people/person-fields.tsx";
import { PersonForm } from "../people/person-form.ts";
import { SetUpList } from "../people/set-up-list.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/person";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.person.name ?? "Person"} · Able Tide` }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const person = isId(params.personId) ? await findPerson(scope, params.personId) : null;
  if (!person) throw notFound();
  const [groups, caps] = await Promise.all([listGroups(scope), capHistory(scope, person.id)]);
  const day = today(scope);
  const holding = caps.filter((cap) => cap.ended === null && holdsOn(cap, day));
  return { person, groups, caps, today: day, setUp: setUpNumbers(person, holding) };
}

async function saveCap(scope: Scope, personId: string, formData: FormData) {
  const submission = parseWithValibot(formData, { schema: CapForm });
  if (submission.status !== "success") return data({ cap: submission.reply() }, { status: 422 });
  if ((await addCap(scope, personId, submission.value)) === null) throw notFound();
  return data({ cap: submission.reply({ resetForm: true }) });
}

async function finishCap(scope: Scope, personId: string, formData: FormData) {
  const submission = parseWithValibot(formData, { schema: EndCapForm });
  const typed = String(formData.get("because") ?? "");
  const capId = String(formData.get("capId") ?? "");
  if (submission.status !== "success") {
    const message = submission.error?.["because"]?.[0] ?? "This cap is not known.";
    return data({ ending: { capId, message, typed } }, { status: 422 });
  }
  const outcome = await endCap(scope, personId, submission.value.capId, submission.value.because);
  if (outcome === "unknown") throw notFound();
  if (outcome === "absolute")
    return data({ ending: { capId, message: "Only the clinician ends this one.", typed } }, { status: 403 });
  return data({});
}

async function savePerson(scope: Scope, personId: string, formData: FormData) {
  const submission = parseWithValibot(formData, { schema: PersonForm });
  if (submission.status !== "success") return data({ person: submission.reply() }, { status: 422 });
  if (!(await knownGroups(scope, submission.value.groupIds)))
    return data({ person: submission.reply({ formErrors: ["One of the groups is not there any more."] }) }, { status: 422 });
  if (!(await changePerson(scope, personId, submission.value))) throw notFound();
  return data({ saved: true });
}

type Answer = {
  cap?: SubmissionResult<string[]>;
  person?: SubmissionResult<string[]>;
  ending?: { capId: string; message: string; typed: string };
  saved?: boolean;
};

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  if (!isId(params.personId)) throw notFound();
  const formData = await formDataOf(request);
  const handlers = { cap: saveCap, "end-cap": finishCap, person: savePerson } as const;
  const intent = String(formData.get("intent"));
  if (!(intent in handlers)) throw data("This form is not known.", { status: 400 });
  return handlers[intent as keyof typeof handlers](scope, params.personId, formData);
}

export default function PersonPage({ loaderData: { person, groups, caps, today, setUp }, actionData }: Route.ComponentProps) {
  const answer: Answer = actionData ?? {};
  const holding = caps.filter((cap) => cap.ended === null && holdsOn(cap, today));
  return (
    <>
      <PageHead title={person.name} note={[`born ${person.birthYear}`, person.uses].filter(Boolean).join(" · ")}>
        <ButtonLink look="plain" to={`/weeks/${person.id}`}>
          Their weeks
        </ButtonLink>
      </PageHead>
      <div className="grid items-start gap-8 lg:grid-cols-[20rem_1fr]">
        <div>
          <LimitsFigure caps={holding} person={person} />
          {person.notes && <p className="mt-4 text-lg">{person.notes}</p>}
        </div>
        <section aria-labelledby="caps-head">
          <h2 id="caps-head" className="mb-3 text-2xl">
            Caps and why
          </h2>
          <CapList caps={caps} today={today} problem={answer.ending ?? null} />
          <details
            className="mt-5 rounded-soft border border-sand-300 bg-white p-4"
            open={answer.cap?.status === "error" || caps.length === 0}
          >
            <summary className="flex min-h-11 items-center gap-2 font-display text-xl font-bold">
              <Plus size={20} aria-hidden="true" /> Set a cap
            </summary>
            <div className="mt-3">
              <CapFields key={caps.length} lastResult={answer.cap ?? null} today={today} />
            </div>
          </details>
        </section>
      </div>
      <section className="mt-8" aria-labelledby="setup-head">
        <h2 id="setup-head" className="mb-2 text-2xl">
          Set-up numbers
        </h2>
        <SetUpList numbers={setUp} />
        <p className="mt-2 text-sand-600">
          Computed from a body model of average proportions: a starting point, the person's own comfort decides.
        </p>
      </section>
      {answer.saved && (
        <p role="status" className="mt-6 font-semibold text-tide-700">
          Saved.
        </p>
      )}
      <details
        className="mt-8 max-w-3xl rounded-soft border border-sand-300 bg-white p-4"
        open={answer.person?.status === "error"}
      >
        <summary className="flex min-h-11 items-center gap-2 font-display text-xl font-bold">
          <Pencil size={20} aria-hidden="true" /> Change name, size, groups or notes
        </summary>
        <PersonFields
          lastResult={answer.person ?? null}
          groups={groups}
          save="Save the person"
          defaults={{
            name: person.name,
            birthYear: person.birthYear,
            statureCentimetres: Math.round(person.stature * 1000) / 10,
            massKilograms: person.mass,
            measured: person.measured,
            uses: person.uses,
            notes: person.notes,
            groupIds: person.groupIds,
          }}
        />
      </details>
    </>
  );
}

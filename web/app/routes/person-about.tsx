import { EMERGENCY_FACTS } from "@able-tide/core/people/about";
import { factLabel } from "@able-tide/words/people";
import { sentenceCase } from "@able-tide/words/text";
import type { SubmissionResult } from "@conform-to/react";
import { data, Form, redirect } from "react-router";
import { AboutForm } from "../../forms/about-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { listTeamMembers } from "../../server/accounts/accounts.ts";
import { changeAbout, findPerson, setClinician } from "../../server/people/people.ts";
import type { Scope } from "../../server/scope.ts";
import { formDataOf, intentOf, optionalIdOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { AboutFields } from "../people/about-fields.tsx";
import { differences } from "../people/differences.ts";
import { EditConflict, type EditConflictInfo } from "../people/edit-conflict.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/person-about";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `About ${loaderData?.person.name ?? "a person"} · Able Tide` },
];

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const person = isId(params.personId) ? await findPerson(scope, params.personId) : null;
  if (!person) throw notFound();
  const members = await listTeamMembers(scope);
  return {
    person: {
      id: person.id,
      name: person.name,
      about: person.about,
      version: person.version,
      clinicianAccount: person.clinicianAccount,
    },
    // Who looks after whom is for those who lead to say.
    clinicians: scope.role === "clinician" ? null : members.filter(({ role }) => role === "clinician"),
  };
}

const LABELS = [
  ["hopes", "Hopes"],
  ["contact", "Contact"],
  ["equipment", "Own equipment"],
  ["kinName", "Next of kin"],
  ["kinPhone", "Next of kin's phone"],
  ["clinicianName", "Clinician"],
  ["clinicianPhone", "Clinician's phone"],
  ["mayTouch", "May be touched"],
  ["mayWrite", "Agrees to written records"],
  ["waterEquipment", "Equipment in the pool"],
  ["risesFromChair", "Stands up from a chair with arms"],
  ["longestBreath", "Longest easy breath"],
  ["saturationLeast", "Own lowest oxygen saturation"],
  ["medicines", "Medicines"],
  ["medicineTimes", "Times taken"],
  ...EMERGENCY_FACTS.map((name) => [name, sentenceCase(factLabel(name))] as const),
] as const;

type Answer = { result: SubmissionResult<string[]>; movedOn?: EditConflictInfo };

async function lookedAfterBy(scope: Scope, personId: string, accountId: string | null) {
  if (scope.role === "clinician") throw data("Only the instructor can change this.", { status: 403 });
  if (!(await setClinician(scope, personId, accountId))) throw notFound();
  return redirect(`/people/${personId}`);
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const person = isId(params.personId) ? await findPerson(scope, params.personId) : null;
  if (!person) throw notFound();
  const formData = await formDataOf(request);
  if (intentOf(formData, ["about", "clinician"]) === "clinician")
    return lookedAfterBy(scope, person.id, optionalIdOf(formData, "account"));
  const submission = parseForm(formData, { schema: AboutForm });
  if (submission.status !== "success") return data<Answer>({ result: submission.reply() }, { status: 422 });
  const { version, about } = submission.value;
  const outcome = await changeAbout(scope, person.id, version, about);
  if (outcome === "unknown") throw notFound();
  if (outcome === "changed") return redirect(`/people/${person.id}`);
  const now = await findPerson(scope, person.id);
  if (!now) throw notFound();
  const flat = ({ facts, ...rest }: typeof about) => ({ ...rest, ...facts });
  return data<Answer>(
    {
      result: submission.reply(),
      movedOn: { by: now.changedBy, version: now.version, differences: differences(LABELS, flat(now.about), flat(about)) },
    },
    { status: 409 },
  );
}

export default function PersonAbout({ loaderData: { person, clinicians }, actionData }: Route.ComponentProps) {
  const answer = actionData as Answer | undefined;
  return (
    <>
      <PageHead
        title={`About ${person.name}`}
        note="Record only the medicines that matter in class; leave the rest to the clinic."
      >
        <ButtonLink look="plain" to={`/people/${person.id}`}>
          Back to {person.name}
        </ButtonLink>
      </PageHead>
      <div className="max-w-4xl rounded-soft border border-sand-300 bg-white p-6">
        {answer?.movedOn && <EditConflict news={answer.movedOn} />}
        <AboutFields
          lastResult={answer?.result ?? null}
          about={person.about}
          version={answer?.movedOn?.version ?? person.version}
        />
      </div>
      {clinicians !== null && clinicians.length > 0 && (
        <Form
          method="post"
          className="mt-6 flex max-w-4xl flex-wrap items-end gap-3 rounded-soft border border-sand-300 bg-white p-6"
        >
          <input type="hidden" name="intent" value="clinician" />
          <div className="min-w-60 flex-1">
            <label htmlFor="clinician-account" className="mb-1 block font-semibold">
              Clinician with access
            </label>
            <select id="clinician-account" name="account" defaultValue={person.clinicianAccount ?? ""} className="field-box">
              <option value="">No clinician in your team</option>
              {clinicians.map(({ accountId, name }) => (
                <option key={accountId} value={accountId}>
                  {name}
                </option>
              ))}
            </select>
          </div>
          <Button look="plain">Save</Button>
        </Form>
      )}
    </>
  );
}

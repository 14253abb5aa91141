import { data, Link, redirect } from "react-router";
import { InviteForm } from "../../forms/invite-form.ts";
import { HandOverForm, OrganisationForm, RoleForm } from "../../forms/organisation-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { changeRole, endMembership, listTeamMembers } from "../../server/accounts/accounts.ts";
import {
  INVITATION_DAYS,
  invite,
  listInvitations,
  outbox,
  renewInvitation,
  revokeInvitation,
} from "../../server/accounts/invitations.ts";
import { changeOrganisation, handOver } from "../../server/accounts/organisation.ts";
import { issueReset, RESET_HOURS } from "../../server/accounts/password-reset.ts";
import { dropSecondFactor } from "../../server/accounts/second-factor.ts";
import { INSTALLATION, originOf } from "../../server/installation.ts";
import type { Scope } from "../../server/scope.ts";
import { passwordProblem } from "../confirmed.server.ts";
import { formDataOf, idOf, intentOf } from "../form-data.server.ts";
import { ButtonLink } from "../kit/button.tsx";
import { type FormAnswer, resultOf } from "../kit/form-answer.ts";
import { PageHead } from "../kit/shell.tsx";
import { HandOver, OrganisationSettings } from "../organisation/organisation-settings.tsx";
import { Outbox } from "../organisation/outbox.tsx";
import { type Handed, Team } from "../organisation/team.tsx";
import { timeZoneNames } from "../organisation/time-zones.server.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/organisation";

export const meta: Route.MetaFunction = () => [{ title: "Organisation · Able Tide" }];

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const [members, invitations, letters] = await Promise.all([listTeamMembers(scope), listInvitations(scope), outbox(scope)]);
  return {
    members,
    invitations: invitations.filter(({ usedAt }) => usedAt === null),
    letters,
    name: scope.organisationName,
    timeZone: scope.timeZone,
    timeZones: timeZoneNames(),
    me: scope.accountId,
  };
}

/** The answer to one of the forms, with a link to hand over where there is one. */
type Answer = FormAnswer & { readonly handed?: Handed };

const invitationNote = `It works once, for ${INVITATION_DAYS} days; it is shown only now.`;

async function saveSettings(scope: Scope, formData: FormData) {
  const submission = parseForm(formData, { schema: OrganisationForm });
  const answer = (status: number) => data<Answer>({ form: "settings", result: submission.reply() }, { status });
  if (submission.status !== "success") return answer(422);
  await changeOrganisation(scope, submission.value);
  return answer(200);
}

async function saveRole(scope: Scope, formData: FormData) {
  const submission = parseForm(formData, { schema: RoleForm });
  if (submission.status !== "success")
    return data<Answer>({ form: String(formData.get("accountId")), result: submission.reply() }, { status: 422 });
  const { accountId, role } = submission.value;
  if (!(await changeRole(scope, accountId, role))) throw notFound();
  return data<Answer>({ form: accountId, result: submission.reply() });
}

async function sendInvitation(scope: Scope, formData: FormData, linkOf: (token: string) => string) {
  const submission = parseForm(formData, { schema: InviteForm });
  if (submission.status !== "success") return data<Answer>({ form: "invite", result: submission.reply() }, { status: 422 });
  const link = await invite(scope, submission.value, linkOf);
  const result = submission.reply({ resetForm: true });
  return data<Answer>({ form: "invite", result, handed: { link, note: invitationNote } });
}

async function handOverTo(scope: Scope, formData: FormData) {
  const submission = parseForm(formData, { schema: HandOverForm });
  const refused = (fieldErrors: Record<string, string[]>) =>
    data<Answer>({ form: "hand-over", result: submission.reply({ hideFields: ["password"], fieldErrors }) }, { status: 422 });
  if (submission.status !== "success") return refused({});
  const { accountId, password } = submission.value;
  const problem = await passwordProblem(scope, password);
  if (problem !== null) return refused({ password: [problem] });
  if (!(await handOver(scope, accountId))) throw notFound();
  return redirect("/");
}

const NOTHING: Answer = { form: "", result: {} };

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const formData = await formDataOf(request);
  const origin = originOf(INSTALLATION, request.url);
  const invitationLink = (token: string) => `${origin}/invitation/${token}`;
  const intent = intentOf(formData, [
    "settings",
    "hand-over",
    "role",
    "password-link",
    "drop-factor",
    "end-membership",
    "invite",
    "renew-invitation",
    "revoke-invitation",
  ]);
  switch (intent) {
    case "settings":
      return saveSettings(scope, formData);
    case "hand-over":
      return handOverTo(scope, formData);
    case "role":
      return saveRole(scope, formData);
    case "invite":
      return sendInvitation(scope, formData, invitationLink);
    case "password-link": {
      const token = await issueReset(scope, idOf(formData, "accountId"));
      if (token === null) throw notFound();
      const note = `It chooses a new password, once, for ${RESET_HOURS.issued} hours; it is shown only now.`;
      return data<Answer>({ ...NOTHING, handed: { link: `${origin}/reset/${token}`, note } });
    }
    case "drop-factor":
      if (!(await dropSecondFactor(scope, idOf(formData, "accountId")))) throw notFound();
      return data(NOTHING);
    case "end-membership":
      if (!(await endMembership(scope, idOf(formData, "accountId")))) throw notFound();
      return data(NOTHING);
    case "renew-invitation": {
      const link = await renewInvitation(scope, idOf(formData, "invitationId"), invitationLink);
      if (link === null) throw notFound();
      return data<Answer>({ ...NOTHING, handed: { link, note: invitationNote } });
    }
    case "revoke-invitation":
      if (!(await revokeInvitation(scope, idOf(formData, "invitationId")))) throw notFound();
      return data(NOTHING);
  }
}

export default function OrganisationPage({ loaderData, actionData }: Route.ComponentProps) {
  const { members, invitations, letters, name, timeZone, timeZones, me } = loaderData;
  const answer = (actionData as Answer | undefined) ?? null;
  return (
    <>
      <PageHead title={name} note="Your team, and settings for all groups.">
        <ButtonLink look="plain" to="/organisation/thresholds">
          Check-in thresholds
        </ButtonLink>
        <ButtonLink look="plain" to="/organisation/retention">
          How long records are kept
        </ButtonLink>
        <ButtonLink look="plain" to="/organisation/record">
          Record of changes
        </ButtonLink>
      </PageHead>
      <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <Team members={members} invitations={invitations} me={me} answer={answer} />
        <div className="flex flex-col gap-6">
          <section className="rounded-soft border border-sand-300 bg-white p-6" aria-labelledby="settings-head">
            <h2 id="settings-head" className="mb-3 text-2xl">
              Settings
            </h2>
            <OrganisationSettings
              key={`${name} ${timeZone}`}
              name={name}
              timeZone={timeZone}
              timeZones={timeZones}
              lastResult={resultOf(answer, "settings")}
            />
          </section>
          <HandOver others={members.filter(({ accountId }) => accountId !== me)} lastResult={resultOf(answer, "hand-over")} />
          <section className="rounded-soft border border-sand-300 bg-white p-4" aria-labelledby="data-head">
            <h2 id="data-head" className="text-xl">
              All data
            </h2>
            <p>
              <a href="/organisation/export" className="flex min-h-11 w-fit items-center underline underline-offset-4">
                Export everything
              </a>
            </p>
            <p>
              <Link to="/organisation/delete" className="flex min-h-11 w-fit items-center underline underline-offset-4">
                Delete the organisation
              </Link>
            </p>
          </section>
          <Outbox letters={letters} />
        </div>
      </div>
    </>
  );
}

import { THRESHOLDS } from "@able-tide/core/caps/policy";
import { thresholdLabel, thresholdUnit } from "@able-tide/words/check-in";
import { sourceLabel } from "@able-tide/words/limitations";
import { formatDayAndMonth } from "@able-tide/words/text";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { data, Form } from "react-router";
import * as v from "valibot";
import { PolicyForm, type PolicyFormInput } from "../../forms/check-in-thresholds-form.ts";
import { InviteForm, ROLE_NAMES, ROLES } from "../../forms/invite-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { changeRole, endMembership, listTeamMembers } from "../../server/accounts/accounts.ts";
import { invite, listInvitations, outbox, renewInvitation, revokeInvitation } from "../../server/accounts/invitations.ts";
import { issueReset, RESET_HOURS } from "../../server/accounts/password-reset.ts";
import { changePolicy, findPolicy } from "../../server/policy/policy.ts";
import type { Scope } from "../../server/scope.ts";
import { formDataOf, idOf, intentOf } from "../form-data.server.ts";
import { Button } from "../kit/button.tsx";
import { CheckBoxes, SelectField, TextField } from "../kit/field.tsx";
import { PageHead } from "../kit/shell.tsx";
import { LinkToGive } from "../organisation/link-to-give.tsx";
import { Outbox } from "../organisation/outbox.tsx";
import { QUESTION_OPTIONS } from "../organisation/question-options.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/organisation";

export const meta: Route.MetaFunction = () => [{ title: "Organisation · Able Tide" }];

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const [policy, members, invitations, letters] = await Promise.all([
    findPolicy(scope),
    listTeamMembers(scope),
    listInvitations(scope),
    outbox(scope),
  ]);
  return {
    policy,
    members,
    invitations: invitations.filter(({ usedAt }) => usedAt === null),
    letters,
    name: scope.organisationName,
    me: scope.accountId,
  };
}

interface Answer {
  readonly policy?: SubmissionResult<string[]>;
  readonly saved?: boolean;
  readonly movedOn?: boolean;
  readonly invite?: SubmissionResult<string[]>;
  readonly link?: string;
  /** A link by which a member chooses a new password. */
  readonly passwordLink?: { readonly link: string; readonly hours: number };
}

async function savePolicy(scope: Scope, formData: FormData) {
  const submission = parseForm(formData, { schema: PolicyForm });
  if (submission.status !== "success") return data<Answer>({ policy: submission.reply() }, { status: 422 });
  const { version, policy } = submission.value;
  if ((await changePolicy(scope, version, policy)) === "moved on")
    return data<Answer>({ policy: submission.reply(), movedOn: true }, { status: 409 });
  return data<Answer>({ saved: true });
}

async function sendInvitation(scope: Scope, formData: FormData, origin: string) {
  const submission = parseForm(formData, { schema: InviteForm });
  if (submission.status !== "success") return data<Answer>({ invite: submission.reply() }, { status: 422 });
  const link = await invite(scope, submission.value, (token) => `${origin}/invitation/${token}`);
  return data<Answer>({ invite: submission.reply({ resetForm: true }), link });
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const formData = await formDataOf(request);
  switch (
    intentOf(formData, ["policy", "end-membership", "role", "password-link", "invite", "renew-invitation", "revoke-invitation"])
  ) {
    case "policy":
      return savePolicy(scope, formData);
    case "end-membership":
      if (!(await endMembership(scope, idOf(formData, "accountId")))) throw notFound();
      return data<Answer>({});
    case "password-link": {
      const token = await issueReset(scope, idOf(formData, "accountId"));
      if (token === null) throw notFound();
      const link = `${new URL(request.url).origin}/reset/${token}`;
      return data<Answer>({ passwordLink: { link, hours: RESET_HOURS.issued } });
    }
    case "role": {
      const role = v.safeParse(v.picklist(ROLE_NAMES), formData.get("role"));
      if (!role.success || !(await changeRole(scope, idOf(formData, "accountId"), role.output))) throw notFound();
      return data<Answer>({});
    }
    case "renew-invitation": {
      const linkOf = (token: string) => `${new URL(request.url).origin}/invitation/${token}`;
      const link = await renewInvitation(scope, idOf(formData, "invitationId"), linkOf);
      if (link === null) throw notFound();
      return data<Answer>({ link });
    }
    case "revoke-invitation":
      if (!(await revokeInvitation(scope, idOf(formData, "invitationId")))) throw notFound();
      return data<Answer>({});
    case "invite":
      return sendInvitation(scope, formData, new URL(request.url).origin);
  }
}

type Loaded = Route.ComponentProps["loaderData"];

function PolicyFields({ policy, answer }: { policy: Loaded["policy"]; answer: Answer }) {
  const [form, fields] = useForm<PolicyFormInput, v.InferOutput<typeof PolicyForm>>({
    id: "policy",
    lastResult: answer.policy ?? null,
    defaultValue: {
      ...policy.thresholds,
      questions: [...policy.questions],
    },
    onValidate: ({ formData }) => parseForm(formData, { schema: PolicyForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="flex flex-col gap-4">
      <input type="hidden" name="intent" value="policy" />
      <input type="hidden" name="version" value={policy.version} />
      {answer.movedOn && (
        <p role="alert" className="font-semibold text-signal-700">
          {policy.changedBy ?? "Someone"} changed the thresholds while you were editing. Your entries are kept. Save again to use
          them.
        </p>
      )}
      <div className="grid gap-4 sm:grid-cols-2">
        {THRESHOLDS.map(({ name, usual, source }) => (
          <TextField
            key={name}
            field={fields[name]}
            label={thresholdLabel(name)}
            hint={`${thresholdUnit(name)}; standard ${usual}, ${sourceLabel(source)}`}
            inputMode="decimal"
          />
        ))}
      </div>
      <fieldset>
        <legend className="font-semibold">
          Check-in questions <span className="font-normal text-sand-600">A group may choose its own</span>
        </legend>
        <CheckBoxes
          name="questions"
          options={QUESTION_OPTIONS}
          checked={(name) => policy.questions.some((question) => question === name)}
        />
      </fieldset>
      <div className="flex items-center gap-4">
        <Button>Save thresholds</Button>
        {answer.saved && (
          <p role="status" className="font-semibold text-tide-700">
            Saved.
          </p>
        )}
      </div>
    </Form>
  );
}

function Invite({ answer }: { answer: Answer }) {
  const [form, fields] = useForm({
    id: "invite",
    lastResult: answer.invite ?? null,
    defaultValue: { role: "helper" },
    onValidate: ({ formData }) => parseForm(formData, { schema: InviteForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="flex flex-col gap-4">
      <input type="hidden" name="intent" value="invite" />
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField field={fields.name} label="Name" />
        <TextField field={fields.email} label="Email" type="email" />
        <SelectField field={fields.role} label="Role" options={ROLES} className="sm:col-span-2" />
      </div>
      <div>
        <Button>Send invitation</Button>
      </div>
      {answer.link && <LinkToGive note="It works once, for 14 days; it is shown only now." link={answer.link} />}
    </Form>
  );
}

/** A team member, whose access can be removed by another. */
function TeamMember({ member, isMe }: { member: Loaded["members"][number]; isMe: boolean }) {
  return (
    <li className="border-b border-sand-200 py-1.5 last:border-0">
      <strong>{member.name}</strong>, {member.role} <span className="text-sand-600">{member.email}</span>
      {!isMe && (
        <details>
          <summary className="flex min-h-11 w-fit items-center text-sand-600 underline underline-offset-4">
            Role, password and access
          </summary>
          <Form method="post" className="flex flex-wrap items-center gap-3 pb-2">
            <input type="hidden" name="accountId" value={member.accountId} />
            <label className="flex items-center gap-2">
              <span className="font-semibold">Role</span>
              <select name="role" defaultValue={member.role} className="field-box">
                {ROLE_NAMES.map((role) => (
                  <option key={role}>{role}</option>
                ))}
              </select>
            </label>
            <Button look="plain" name="intent" value="role">
              Save role
            </Button>
            <p>{member.name} cannot sign in? Give them a link to choose a new password.</p>
            <Button look="plain" name="intent" value="password-link">
              Make a link for {member.name}
            </Button>
            <p>{member.name} is signed out at once. Their records are kept.</p>
            <Button look="plain" name="intent" value="end-membership">
              Remove {member.name}'s access
            </Button>
          </Form>
        </details>
      )}
    </li>
  );
}

export default function OrganisationPage({ loaderData, actionData }: Route.ComponentProps) {
  const { policy, members, invitations, letters, name } = loaderData;
  const answer: Answer = actionData ?? {};
  return (
    <>
      <PageHead title={name} note="Team members, and the check-in thresholds your classes use." />
      <div className="grid items-start gap-6 lg:grid-cols-[1fr_26rem]">
        <section className="rounded-soft border border-sand-300 bg-white p-6" aria-labelledby="policy-head">
          <h2 id="policy-head" className="text-2xl">
            Check-in thresholds
          </h2>
          <p className="mb-3 text-sand-600">
            {policy.changedBy === null ? "Standard thresholds." : `Last changed by ${policy.changedBy}.`} You can only make
            thresholds stricter than the standard ones.
          </p>
          <PolicyFields key={policy.version} policy={policy} answer={answer} />
        </section>
        <div className="flex flex-col gap-6">
          <section className="rounded-soft border border-sand-300 bg-white p-6" aria-labelledby="members-head">
            <h2 id="members-head" className="mb-2 text-2xl">
              Team
            </h2>
            <ul>
              {members.map((member) => (
                <TeamMember key={member.accountId} member={member} isMe={member.accountId === loaderData.me} />
              ))}
              {invitations.map((invitation) => (
                <li key={invitation.id} className="border-b border-sand-200 py-1.5 text-sand-600 last:border-0">
                  {invitation.name}, {invitation.role}, invited until {formatDayAndMonth(invitation.expiresAt.slice(0, 10))}
                  <Form method="post" className="flex flex-wrap gap-3">
                    <input type="hidden" name="invitationId" value={invitation.id} />
                    <Button look="quiet" name="intent" value="renew-invitation">
                      New link
                    </Button>
                    <Button look="quiet" name="intent" value="revoke-invitation">
                      Take back
                    </Button>
                  </Form>
                </li>
              ))}
            </ul>
            {answer.passwordLink && (
              <LinkToGive
                note={`It chooses a new password, once, for ${answer.passwordLink.hours} hours; it is shown only now.`}
                link={answer.passwordLink.link}
              />
            )}
            <h3 className="mt-4 mb-2 text-xl">Invite a team member</h3>
            <Invite answer={answer} />
          </section>
          <Outbox letters={letters} />
        </div>
      </div>
    </>
  );
}

import { formatDayAndMonth } from "@able-tide/words/text";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { Form } from "react-router";
import { InviteForm, ROLE_NAMES, ROLES } from "../../forms/invite-form.ts";
import { RoleForm } from "../../forms/organisation-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import type { Member } from "../../server/accounts/accounts.ts";
import type { Invitation } from "../../server/accounts/invitations.ts";
import { Button } from "../kit/button.tsx";
import { Problem, SelectField, TextField } from "../kit/field.tsx";
import { type FormAnswer, isRefused, resultOf } from "../kit/form-answer.ts";
import { LinkToGive } from "./link-to-give.tsx";

/** A link to hand over, and who is to have it. */
export interface Handed {
  readonly link: string;
  readonly note: string;
}

const ROLE_OPTIONS = ROLE_NAMES.map((role) => [role, role] as const);

function MemberRole({ member, lastResult }: { member: Member; lastResult: SubmissionResult<string[]> | null }) {
  const [form, fields] = useForm({
    id: `role-${member.accountId}`,
    lastResult,
    defaultValue: { accountId: member.accountId, role: member.role },
    onValidate: ({ formData }) => parseForm(formData, { schema: RoleForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="flex flex-wrap items-end gap-3">
      <input type="hidden" name="accountId" value={member.accountId} />
      <SelectField field={fields.role} label="Role" options={ROLE_OPTIONS} />
      <Button look="plain" name="intent" value="role">
        Save role
      </Button>
    </Form>
  );
}

/** One thing that can be done for a member, with what it does. */
function MemberAction({ member, intent, says, children }: { member: Member; intent: string; says: string; children: string }) {
  return (
    <Form method="post" className="flex flex-wrap items-center gap-3">
      <input type="hidden" name="accountId" value={member.accountId} />
      <p className="basis-full">{says}</p>
      <Button look="plain" name="intent" value={intent}>
        {children}
      </Button>
    </Form>
  );
}

function TeamMember({ member, isMe, answer }: { member: Member; isMe: boolean; answer: FormAnswer | null }) {
  const result = resultOf(answer, member.accountId);
  const { name } = member;
  return (
    <li className="border-b border-sand-200 py-2 last:border-0">
      <strong>{name}</strong>, {member.role} <span className="text-sand-600">{member.email}</span>
      {isMe && <span className="text-sand-600"> (you)</span>}
      {!isMe && (
        <details open={isRefused(result)}>
          <summary className="flex min-h-11 w-fit items-center text-sand-600 underline underline-offset-4">
            Role, password and access
          </summary>
          <div className="flex flex-col gap-4 pb-3">
            <MemberRole member={member} lastResult={result} />
            {member.onlyHere ? (
              <MemberAction
                member={member}
                intent="password-link"
                says={`${name} cannot sign in? Give them a link to choose a new password.`}
              >
                {`Make a link for ${name}`}
              </MemberAction>
            ) : (
              <p className="text-sand-600">
                {name} belongs to another organisation too, and gets a new password by Forgotten password.
              </p>
            )}
            {member.onlyHere && member.hasSecondFactor && (
              <MemberAction
                member={member}
                intent="drop-factor"
                says={`${name} has lost the phone and the recovery codes? Make sure that it is ${name} who asks.`}
              >
                {`Turn off ${name}'s second factor`}
              </MemberAction>
            )}
            <MemberAction member={member} intent="end-membership" says={`${name} is signed out at once. Their records are kept.`}>
              {`Remove ${name}'s access`}
            </MemberAction>
          </div>
        </details>
      )}
    </li>
  );
}

function OpenInvitation({ invitation }: { invitation: Invitation }) {
  return (
    <li className="border-b border-sand-200 py-2 text-sand-600 last:border-0">
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
  );
}

function Invite({ lastResult }: { lastResult: SubmissionResult<string[]> | null }) {
  const [form, fields] = useForm({
    id: "invite",
    lastResult,
    defaultValue: { role: "helper" },
    onValidate: ({ formData }) => parseForm(formData, { schema: InviteForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="flex flex-col gap-4">
      <Problem id="invite-problem" errors={form.errors} />
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField field={fields.name} label="Name" />
        <TextField field={fields.email} label="Email" type="email" />
        <SelectField field={fields.role} label="Role" options={ROLES} className="sm:col-span-2" />
      </div>
      <div>
        <Button name="intent" value="invite">
          Send invitation
        </Button>
      </div>
    </Form>
  );
}

interface Props {
  readonly members: readonly Member[];
  readonly invitations: readonly Invitation[];
  /** The account of whoever looks. */
  readonly me: string;
  readonly answer: (FormAnswer & { readonly handed?: Handed }) | null;
}

/** Who belongs to the organisation, who is invited, and the form to invite someone. */
export function Team({ members, invitations, me, answer }: Props) {
  return (
    <section className="rounded-soft border border-sand-300 bg-white p-6" aria-labelledby="members-head">
      <h2 id="members-head" className="mb-2 text-2xl">
        Team
      </h2>
      {answer?.handed && <LinkToGive {...answer.handed} />}
      <ul>
        {members.map((member) => (
          <TeamMember key={`${member.accountId} ${member.role}`} member={member} isMe={member.accountId === me} answer={answer} />
        ))}
        {invitations.map((invitation) => (
          <OpenInvitation key={invitation.id} invitation={invitation} />
        ))}
      </ul>
      <h3 className="mt-6 mb-2 text-xl">Invite a team member</h3>
      <Invite lastResult={resultOf(answer, "invite")} />
    </section>
  );
}

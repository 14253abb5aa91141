import { count } from "@able-tide/words/text";
import type { SubmissionResult } from "@conform-to/react";
import { getFormProps, useForm } from "@conform-to/react";
import { data, Form, redirect } from "react-router";
import { parseForm } from "../../forms/parse-form.ts";
import { EASY_TO_GUESS, PasswordForm } from "../../forms/password-form.ts";
import { changePassword } from "../../server/accounts/change-password.ts";
import { hasSecondFactor } from "../../server/accounts/second-factor.ts";
import {
  endOtherSessions,
  listOwnOrganisations,
  listSessions,
  type OwnOrganisation,
  SESSION,
  type Session,
  switchOrganisation,
} from "../../server/accounts/sessions.ts";
import type { Scope } from "../../server/scope.ts";
import { presentPasswordProblem } from "../confirmed.server.ts";
import { formatInstant } from "../days.ts";
import { formDataOf, idOf, intentOf } from "../form-data.server.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { Problem, TextField } from "../kit/field.tsx";
import { NewPasswordField } from "../kit/new-password-field.tsx";
import { PageHead } from "../kit/shell.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/account";

export const meta: Route.MetaFunction = () => [{ title: "Your account · Able Tide" }];

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const [sessions, organisations, hasFactor] = await Promise.all([
    listSessions(scope),
    listOwnOrganisations(scope),
    hasSecondFactor(scope.database, scope.accountId),
  ]);
  return {
    name: scope.accountName,
    organisation: scope.organisationName,
    role: scope.role,
    others: organisations.filter(({ id }) => id !== scope.organisationId),
    hasFactor,
    lasting: { idleHours: SESSION.idleHours, days: SESSION.days },
    sessions: sessions.map(({ createdAt, usedAt, ...session }) => ({
      ...session,
      since: formatInstant(createdAt, scope.timeZone),
      used: formatInstant(usedAt, scope.timeZone),
    })),
  };
}

interface Answer {
  readonly password?: SubmissionResult<string[]>;
  /** What was done, as a sentence. */
  readonly done?: string;
}

const endedElsewhere = (sessions: number): string =>
  sessions === 0 ? "" : ` You were signed out on ${count(sessions, "other device", "other devices")}.`;

async function savePassword(scope: Scope, formData: FormData) {
  const submission = parseForm(formData, { schema: PasswordForm });
  const refused = (fieldErrors: Record<string, string[]>, status = 422) =>
    data<Answer>({ password: submission.reply({ hideFields: ["present", "chosen"], fieldErrors }) }, { status });
  if (submission.status !== "success") return refused({});
  const outcome = await changePassword(scope, submission.value);
  switch (outcome.kind) {
    case "wrong":
      return refused({ present: [presentPasswordProblem(outcome)] });
    case "easy":
      return refused({ chosen: [EASY_TO_GUESS] });
    case "wait":
      return refused({ present: [presentPasswordProblem(outcome)] }, 429);
    case "changed":
      return data<Answer>({
        password: submission.reply({ resetForm: true }),
        done: `Your password was changed.${endedElsewhere(outcome.signedOut)}`,
      });
  }
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const formData = await formDataOf(request);
  switch (intentOf(formData, ["password", "sign-out-elsewhere", "switch"])) {
    case "password":
      return savePassword(scope, formData);
    case "sign-out-elsewhere": {
      const ended = await endOtherSessions(scope);
      return data<Answer>({ done: ended === 0 ? "You are signed in nowhere else." : endedElsewhere(ended).trim() });
    }
    case "switch":
      if (!(await switchOrganisation(scope, idOf(formData, "organisationId")))) throw notFound();
      return redirect("/");
  }
}

function ChangePassword({ lastResult }: { lastResult: SubmissionResult<string[]> | null }) {
  const [form, fields] = useForm({
    id: "password",
    lastResult,
    onValidate: ({ formData }) => parseForm(formData, { schema: PasswordForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="grid max-w-md gap-4">
      <Problem id="password-problem" errors={form.errors} />
      <TextField field={fields.present} label="Present password" type="password" autoComplete="current-password" />
      <NewPasswordField field={fields.chosen} label="New password" />
      <div>
        <Button name="intent" value="password">
          Change password
        </Button>
      </div>
    </Form>
  );
}

/** Other organisations of the same account. */
function OtherOrganisations({ others }: { others: readonly OwnOrganisation[] }) {
  if (others.length === 0) return null;
  return (
    <section className="mb-8" aria-labelledby="organisations-head">
      <h2 id="organisations-head" className="mb-3 text-2xl">
        Your other organisations
      </h2>
      <Form method="post" className="flex flex-wrap gap-3">
        <input type="hidden" name="intent" value="switch" />
        {others.map(({ id, name, role }) => (
          <Button key={id} look="plain" name="organisationId" value={id}>
            Go to {name}, as {role}
          </Button>
        ))}
      </Form>
    </section>
  );
}

type ShownSession = Omit<Session, "createdAt" | "usedAt"> & { readonly since: string; readonly used: string };

function Sessions({ sessions }: { sessions: readonly ShownSession[] }) {
  return (
    <>
      {sessions.length > 1 && (
        <Form method="post" className="mb-4">
          <Button look="plain" name="intent" value="sign-out-elsewhere">
            Sign out everywhere else
          </Button>
        </Form>
      )}
      <ul className="grid gap-2">
        {sessions.map(({ id, device, since, used, current }) => (
          <li key={id} className="rounded-soft border border-sand-300 bg-white px-4 py-2">
            <strong>{device || "Unknown device"}</strong>
            {current && " · this device"}
            <span className="block text-sand-600">
              Since {since}, last used {used}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

export default function AccountPage({ loaderData, actionData }: Route.ComponentProps) {
  const { name, organisation, role, others, hasFactor, lasting, sessions } = loaderData;
  const answer: Answer = actionData ?? {};
  return (
    <>
      <PageHead title="Your account" note={`${name}, ${role} at ${organisation}`} />
      {answer.done && (
        <p role="status" className="mb-4 text-lg font-semibold">
          {answer.done}
        </p>
      )}
      <OtherOrganisations others={others} />
      <div className="grid items-start gap-10 lg:grid-cols-2">
        <section aria-labelledby="password-head">
          <h2 id="password-head" className="mb-3 text-2xl">
            Password
          </h2>
          <ChangePassword lastResult={answer.password ?? null} />
          <h2 className="mt-8 mb-1 text-2xl">Second factor</h2>
          <p className="mb-3 text-sand-600">
            {hasFactor
              ? "On: signing in asks for your password and for a code of your app."
              : "Off. With it, signing in also asks for a code of an app on your phone, so that a stolen password is not enough."}
          </p>
          <ButtonLink look="plain" to="/account/second-factor">
            {hasFactor ? "Change second factor" : "Set up a second factor"}
          </ButtonLink>
        </section>
        <section aria-labelledby="sessions-head">
          <h2 id="sessions-head" className="mb-1 text-2xl">
            Where you are signed in
          </h2>
          <p className="mb-3 text-sand-600">
            You are signed out after {lasting.idleHours} hours without use, and after {lasting.days} days in any case; never
            during a class.
          </p>
          <Sessions sessions={sessions} />
        </section>
      </div>
    </>
  );
}

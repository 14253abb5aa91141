import { getFormProps, useForm } from "@conform-to/react";
import { data, Form, redirect } from "react-router";
import { AcceptInvitationForm, OwnAccountForm } from "../../forms/invite-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { EASY_TO_GUESS } from "../../forms/password-form.ts";
import { acceptInvitation, enter, invitationBehind } from "../../server/entrance.ts";
import { signedInHeaders } from "../cookies.server.ts";
import { formDataOf } from "../form-data.server.ts";
import { Button } from "../kit/button.tsx";
import { Disclaimer } from "../kit/disclaimer.tsx";
import { Problem, TextField } from "../kit/field.tsx";
import { NewPasswordField } from "../kit/new-password-field.tsx";
import { signInFrom } from "../sign-in-from.server.ts";
import type { Route } from "./+types/invitation";

export const meta: Route.MetaFunction = () => [{ title: "An invitation · Able Tide" }];

const REFUSALS = {
  easy: EASY_TO_GUESS,
  wrong: "This is not the password of your account.",
  wait: "Too many attempts. Wait half a minute, then try again.",
} as const;

const GONE = "This invitation has expired or was already used. Ask for a new one.";

export async function loader({ params }: Route.LoaderArgs) {
  const invitation = await invitationBehind(params.token);
  if (!invitation) throw data(GONE, { status: 404 });
  const { organisationName, name, email, role, hasAccount } = invitation;
  return { organisationName, name, email, role, hasAccount };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const invitation = await invitationBehind(params.token);
  if (!invitation) throw data(GONE, { status: 404 });
  const schema = invitation.hasAccount ? OwnAccountForm : AcceptInvitationForm;
  const submission = parseForm(await formDataOf(request), { schema });
  if (submission.status !== "success") return data(submission.reply({ hideFields: ["password"] }), { status: 422 });
  const { password } = submission.value;
  const outcome = await acceptInvitation(params.token, password);
  if (outcome === "gone") throw data(GONE, { status: 404 });
  if (outcome !== "welcome")
    return data(submission.reply({ hideFields: ["password"], fieldErrors: { password: [REFUSALS[outcome]] } }), { status: 422 });
  const signedIn = await enter({
    email: invitation.email,
    password,
    organisationId: invitation.organisationId,
    ...(await signInFrom(request, context)),
  });
  if (signedIn.kind !== "welcome") return redirect("/sign-in");
  return redirect("/", { headers: await signedInHeaders(signedIn) });
}

export default function InvitationPage({ loaderData, actionData }: Route.ComponentProps) {
  const { organisationName, name, email, role, hasAccount } = loaderData;
  const [form, fields] = useForm({
    id: "take-up",
    lastResult: actionData ?? null,
    onValidate: ({ formData }) => parseForm(formData, { schema: hasAccount ? OwnAccountForm : AcceptInvitationForm }),
  });
  return (
    <main className="mx-auto flex min-h-screen max-w-xl flex-col justify-center gap-5 p-8">
      <h1 className="text-4xl">Welcome, {name}</h1>
      <p className="text-lg">
        {organisationName} invites you as {role}. You will sign in as {email}.
      </p>
      <Form method="post" {...getFormProps(form)} className="flex flex-col gap-4">
        <Problem id="take-up-problem" errors={form.errors} />
        {hasAccount ? (
          <TextField
            field={fields.password}
            label="Password of your account"
            hint="You have an account already"
            type="password"
            autoComplete="current-password"
          />
        ) : (
          <NewPasswordField field={fields.password} label="Choose a password" />
        )}
        <div>
          <Button>{hasAccount ? `Join ${organisationName}` : "Create account"}</Button>
        </div>
      </Form>
      <Disclaimer className="text-sand-600" />
    </main>
  );
}

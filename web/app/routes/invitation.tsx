import { getFormProps, useForm } from "@conform-to/react";
import { data, Form, redirect } from "react-router";
import { AcceptInvitationForm } from "../../forms/invite-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { EASY_TO_GUESS } from "../../forms/password-form.ts";
import { acceptInvitation, enter, invitationBehind } from "../../server/entrance.ts";
import { signedInHeaders } from "../cookies.server.ts";
import { formDataOf } from "../form-data.server.ts";
import { Button } from "../kit/button.tsx";
import { Disclaimer } from "../kit/disclaimer.tsx";
import { Problem, TextField } from "../kit/field.tsx";
import { signInFrom } from "../sign-in-from.server.ts";
import type { Route } from "./+types/invitation";

export const meta: Route.MetaFunction = () => [{ title: "An invitation · Able Tide" }];

const GONE = "This invitation has expired or was already used. Ask for a new one.";

export async function loader({ params }: Route.LoaderArgs) {
  const invitation = await invitationBehind(params.token);
  if (!invitation) throw data(GONE, { status: 404 });
  const { organisationName, name, email, role } = invitation;
  return { organisationName, name, email, role };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const invitation = await invitationBehind(params.token);
  if (!invitation) throw data(GONE, { status: 404 });
  const submission = parseForm(await formDataOf(request), { schema: AcceptInvitationForm });
  if (submission.status !== "success") return data(submission.reply({ hideFields: ["password"] }), { status: 422 });
  const { password } = submission.value;
  const outcome = await acceptInvitation(params.token, password);
  if (outcome === "gone") throw data(GONE, { status: 404 });
  if (outcome === "easy")
    return data(submission.reply({ hideFields: ["password"], fieldErrors: { password: [EASY_TO_GUESS] } }), { status: 422 });
  if (outcome === "known email")
    return data(
      submission.reply({ hideFields: ["password"], formErrors: ["This email already has an account. Sign in with it."] }),
      { status: 409 },
    );
  const signedIn = await enter({
    email: invitation.email,
    password,
    ...(await signInFrom(request, context)),
  });
  if (signedIn.kind !== "welcome") return redirect("/sign-in");
  return redirect("/", { headers: await signedInHeaders(signedIn) });
}

export default function InvitationPage({ loaderData, actionData }: Route.ComponentProps) {
  const { organisationName, name, email, role } = loaderData;
  const [form, fields] = useForm({
    id: "take-up",
    lastResult: actionData ?? null,
    onValidate: ({ formData }) => parseForm(formData, { schema: AcceptInvitationForm }),
  });
  return (
    <main className="mx-auto flex min-h-screen max-w-xl flex-col justify-center gap-5 p-8">
      <h1 className="text-4xl">Welcome, {name}</h1>
      <p className="text-lg">
        {organisationName} invites you as {role}. You will sign in as {email}.
      </p>
      <Form method="post" {...getFormProps(form)} className="flex flex-col gap-4">
        <Problem id="take-up-problem" errors={form.errors} />
        <TextField
          field={fields.password}
          label="Choose a password"
          hint="12 characters or more"
          type="password"
          autoComplete="new-password"
        />
        <div>
          <Button>Create account</Button>
        </div>
      </Form>
      <Disclaimer className="text-sand-600" />
    </main>
  );
}

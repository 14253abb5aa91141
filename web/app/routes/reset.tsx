import { getFormProps, useForm } from "@conform-to/react";
import { data, Form, redirect } from "react-router";
import { parseForm } from "../../forms/parse-form.ts";
import { EASY_TO_GUESS, ResetForm } from "../../forms/password-form.ts";
import { chooseNewPassword, resetBehind } from "../../server/entrance.ts";
import { signedOutHeaders } from "../cookies.server.ts";
import { formDataOf } from "../form-data.server.ts";
import { Button } from "../kit/button.tsx";
import { Problem } from "../kit/field.tsx";
import { NewPasswordField } from "../kit/new-password-field.tsx";
import type { Route } from "./+types/reset";

export const meta: Route.MetaFunction = () => [{ title: "A new password · Able Tide" }];

const GONE = "This link has expired or was already used. Ask for a new one under Forgotten password.";

export async function loader({ params }: Route.LoaderArgs) {
  const reset = await resetBehind(params.resetToken);
  if (!reset) throw data(GONE, { status: 404 });
  return { name: reset.name, email: reset.email };
}

export async function action({ request, params }: Route.ActionArgs) {
  const submission = parseForm(await formDataOf(request), { schema: ResetForm });
  if (submission.status !== "success") return data(submission.reply({ hideFields: ["chosen"] }), { status: 422 });
  const outcome = await chooseNewPassword(params.resetToken, submission.value.chosen);
  if (outcome === "gone") throw data(GONE, { status: 404 });
  if (outcome === "easy")
    return data(submission.reply({ hideFields: ["chosen"], fieldErrors: { chosen: [EASY_TO_GUESS] } }), { status: 422 });
  return redirect("/sign-in?changed", { headers: await signedOutHeaders() });
}

export default function ResetPage({ loaderData, actionData }: Route.ComponentProps) {
  const [form, fields] = useForm({
    id: "reset",
    lastResult: actionData ?? null,
    onValidate: ({ formData }) => parseForm(formData, { schema: ResetForm }),
  });
  return (
    <main className="mx-auto flex min-h-screen max-w-xl flex-col justify-center gap-5 p-8">
      <h1 className="text-4xl">A new password</h1>
      <p className="text-lg">
        For {loaderData.name}, {loaderData.email}. You will be signed out on every device.
      </p>
      <Form method="post" {...getFormProps(form)} className="flex flex-col gap-4">
        <Problem id="reset-problem" errors={form.errors} />
        <NewPasswordField field={fields.chosen} label="New password" />
        <div>
          <Button>Save password</Button>
        </div>
      </Form>
    </main>
  );
}

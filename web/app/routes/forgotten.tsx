import type { SubmissionResult } from "@conform-to/react";
import { getFormProps, useForm } from "@conform-to/react";
import { data, Form, Link } from "react-router";
import { parseForm } from "../../forms/parse-form.ts";
import { ForgottenForm, tooManyAttempts } from "../../forms/password-form.ts";
import { addressContext, forgotten } from "../../server/entrance.ts";
import { INSTALLATION, originOf } from "../../server/installation.ts";
import { formDataOf } from "../form-data.server.ts";
import { Button } from "../kit/button.tsx";
import { Problem, TextField } from "../kit/field.tsx";
import type { Route } from "./+types/forgotten";

export const meta: Route.MetaFunction = () => [{ title: "Forgotten password · Able Tide" }];

interface Answer {
  readonly result?: SubmissionResult<string[]>;
  readonly written?: boolean;
}

export async function action({ request, context }: Route.ActionArgs) {
  const submission = parseForm(await formDataOf(request), { schema: ForgottenForm });
  if (submission.status !== "success") return data<Answer>({ result: submission.reply() }, { status: 422 });
  const origin = originOf(INSTALLATION, request.url);
  const asked = { ...submission.value, address: context.get(addressContext) };
  const seconds = await forgotten(asked, (token) => `${origin}/reset/${token}`);
  if (seconds === 0) return data<Answer>({ written: true });
  const sentence = tooManyAttempts(seconds);
  return data<Answer>(
    { result: submission.reply({ formErrors: [sentence] }) },
    { status: 429, headers: { "Retry-After": String(seconds) } },
  );
}

export default function ForgottenPage({ actionData }: Route.ComponentProps) {
  const answer: Answer = actionData ?? {};
  const [form, fields] = useForm({
    id: "forgotten",
    lastResult: answer.result ?? null,
    onValidate: ({ formData }) => parseForm(formData, { schema: ForgottenForm }),
  });
  return (
    <main className="mx-auto flex min-h-screen max-w-xl flex-col justify-center gap-5 p-8">
      <h1 className="text-4xl">Forgotten password</h1>
      {answer.written ? (
        <p role="status" className="text-lg">
          If this email has an account, a letter with a link is on its way. The link works once, for one hour. No letter? The
          owner of your organisation can give you a link.
        </p>
      ) : (
        <Form method="post" {...getFormProps(form)} className="flex flex-col gap-4">
          <Problem id="forgotten-problem" errors={form.errors} />
          <TextField field={fields.email} label="Email" type="email" autoComplete="username" />
          <div>
            <Button>Send a link</Button>
          </div>
        </Form>
      )}
      <Link to="/sign-in" className="flex min-h-11 w-fit items-center underline underline-offset-4">
        Back to sign-in
      </Link>
    </main>
  );
}

import { getFormProps, useForm } from "@conform-to/react";
import { data, Form, redirect } from "react-router";
import { FoundingForm } from "../../forms/founding-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { EASY_TO_GUESS } from "../../forms/password-form.ts";
import { enter, foundBy, mayFound } from "../../server/entrance.ts";
import { signedInHeaders } from "../cookies.server.ts";
import { formDataOf } from "../form-data.server.ts";
import { Button } from "../kit/button.tsx";
import { Disclaimer } from "../kit/disclaimer.tsx";
import { Problem, TextField } from "../kit/field.tsx";
import { NewPasswordField } from "../kit/new-password-field.tsx";
import { TimeZoneField } from "../organisation/time-zone-field.tsx";
import { timeZoneNames } from "../organisation/time-zones.server.ts";
import { signInFrom } from "../sign-in-from.server.ts";
import type { Route } from "./+types/set-up";

export const meta: Route.MetaFunction = () => [{ title: "Set up · Able Tide" }];

const GONE =
  "This address has expired or was already used. To get a new one, start Able Tide again. Has it been set up? Then sign in, or ask its owner to invite you.";

const REFUSALS = {
  easy: ["password", EASY_TO_GUESS],
  wrong: ["password", "This email has an account already. Enter its password."],
  wait: ["password", "Too many attempts. Wait half a minute, then try again."],
} as const;

export async function loader({ params }: Route.LoaderArgs) {
  if (!(await mayFound(params.setUpToken ?? null))) throw data(GONE, { status: 404 });
  const { timeZone } = new Intl.DateTimeFormat().resolvedOptions();
  return { timeZones: timeZoneNames(), timeZone };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const submission = parseForm(await formDataOf(request), { schema: FoundingForm });
  const refused = (fieldErrors: Record<string, string[]>) =>
    data(submission.reply({ hideFields: ["password"], fieldErrors }), { status: 422 });
  if (submission.status !== "success") return refused({});
  const founding = submission.value;
  const outcome = await foundBy(params.setUpToken ?? null, founding);
  if (outcome === "gone") throw data(GONE, { status: 404 });
  if (typeof outcome === "string") {
    const [field, sentence] = REFUSALS[outcome];
    return refused({ [field]: [sentence] });
  }
  const { email, password } = founding;
  const signedIn = await enter({ email, password, ...outcome, ...(await signInFrom(request, context)) });
  if (signedIn.kind !== "welcome") return redirect("/sign-in?back=/start");
  return redirect("/start", { headers: await signedInHeaders(signedIn) });
}

export default function SetUpPage({ loaderData, actionData }: Route.ComponentProps) {
  const { timeZones, timeZone } = loaderData;
  const [form, fields] = useForm({
    id: "set-up",
    lastResult: actionData ?? null,
    defaultValue: { timeZone },
    onValidate: ({ formData }) => parseForm(formData, { schema: FoundingForm }),
  });
  return (
    <main className="mx-auto flex min-h-screen max-w-2xl flex-col justify-center gap-5 p-8">
      <div>
        <h1 className="text-4xl">Welcome to Able Tide</h1>
        <p className="mt-1 text-lg text-sand-600">
          Set up your organisation and your own account. Next you add a venue, a group, its participants and a first plan.
        </p>
      </div>
      <Form method="post" {...getFormProps(form)} className="grid gap-4 sm:grid-cols-2">
        <Problem id="set-up-problem" errors={form.errors} />
        <TextField field={fields.organisation} label="Organisation" hint="as your team calls it" />
        <TimeZoneField field={fields.timeZone} names={timeZones} followsBrowser />
        <TextField field={fields.name} label="Your name" autoComplete="name" />
        <TextField field={fields.email} label="Email" type="email" autoComplete="username" />
        <NewPasswordField field={fields.password} label="Choose a password" />
        <div className="sm:col-span-2">
          <Button>Set up</Button>
        </div>
      </Form>
      <Disclaimer className="text-sand-600" />
    </main>
  );
}

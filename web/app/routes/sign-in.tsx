import { getFormProps, useForm } from "@conform-to/react";
import { getValibotConstraint } from "@conform-to/valibot";
import { data, Form, Link, redirect, useSearchParams } from "react-router";
import { parseForm } from "../../forms/parse-form.ts";
import { tooManyAttempts } from "../../forms/password-form.ts";
import { SignInForm, type SignInFormInput } from "../../forms/sign-in-form.ts";
import { enter } from "../../server/entrance.ts";
import { signedInHeaders } from "../cookies.server.ts";
import { formDataOf } from "../form-data.server.ts";
import { Button } from "../kit/button.tsx";
import { Disclaimer } from "../kit/disclaimer.tsx";
import { Problem } from "../kit/field.tsx";
import { SignInFields } from "../kit/sign-in-fields.tsx";
import { VariantSymbol } from "../kit/variant-symbol.tsx";
import { signInFrom } from "../sign-in-from.server.ts";
import { wayBack } from "../way-back.ts";
import type { Route } from "./+types/sign-in";

export const meta: Route.MetaFunction = () => [{ title: "Sign in · Able Tide" }];

const REFUSALS = {
  code: "Enter the code that your app shows now.",
  wrongCode: "This code is wrong or was used. Wait for the next one, or use a recovery code.",
} as const;

export async function action({ request, context }: Route.ActionArgs) {
  const submission = parseForm(await formDataOf(request), { schema: SignInForm });
  const refused = (at: "form" | "code", sentence: string) =>
    submission.reply({
      hideFields: ["password", "code"],
      ...(at === "form" ? { formErrors: [sentence] } : { fieldErrors: { code: [sentence] } }),
    });
  if (submission.status !== "success") return data(submission.reply({ hideFields: ["password", "code"] }), { status: 422 });
  const { email, password, code = "" } = submission.value;
  const outcome = await enter({ email, password, code, ...(await signInFrom(request, context)) });
  switch (outcome.kind) {
    case "welcome":
      return redirect(wayBack(request.url), { headers: await signedInHeaders(outcome) });
    case "wrong":
      return data(refused("form", "Email or password is wrong. Check both and try again."), { status: 401 });
    case "code":
    case "wrongCode":
      return data(refused("code", REFUSALS[outcome.kind]), { status: 401 });
    case "wait": {
      const { seconds } = outcome;
      const at = code === "" ? "form" : "code";
      return data(refused(at, tooManyAttempts(seconds)), { status: 429, headers: { "Retry-After": String(seconds) } });
    }
  }
}

export default function SignInPage({ actionData }: Route.ComponentProps) {
  const isChanged = useSearchParams()[0].has("changed");
  const [form, fields] = useForm<SignInFormInput>({
    lastResult: actionData ?? null,
    constraint: getValibotConstraint(SignInForm),
  });
  return (
    <main className="grid min-h-screen lg:grid-cols-[1fr_26rem]">
      <section className="relative hidden flex-col justify-end overflow-hidden bg-tide-800 p-14 text-sand-50 lg:flex">
        <svg
          viewBox="0 0 800 400"
          preserveAspectRatio="none"
          className="absolute inset-x-0 bottom-0 h-3/5 w-full"
          aria-hidden="true"
        >
          <path d="M0 330 C130 320 170 140 330 110 S560 130 640 240 S760 330 800 334 V400 H0 Z" fill="var(--color-tide-700)" />
          <path d="M0 352 C160 345 220 230 380 205 S620 250 700 320 S780 350 800 352 V400 H0 Z" fill="var(--color-tide-600)" />
        </svg>
        <div className="relative">
          <div className="mb-6 flex gap-3 class-room">
            <VariantSymbol form="standing" level={1} size={44} />
            <VariantSymbol form="supported" level={0.7} hold="left" size={44} />
            <VariantSymbol form="seated" level={0.8} lighterSide="right" size={44} />
          </div>
          <p className="max-w-xl font-display text-4xl leading-tight font-bold">
            One session for every body: each participant in the variant that fits today.
          </p>
        </div>
      </section>
      <section className="flex flex-col justify-center gap-6 p-8 sm:p-12">
        <div>
          <h1 className="text-3xl">Able Tide</h1>
          <p className="mt-1 text-lg text-sand-600">Sign in to your groups.</p>
          {isChanged && (
            <p role="status" className="mt-3 font-semibold">
              Your password was changed. Sign in with the new one.
            </p>
          )}
        </div>
        <Form method="post" {...getFormProps(form)} className="flex flex-col gap-5">
          <Problem id={`${form.id}-problem`} errors={form.errors} />
          <SignInFields fields={fields} />
          <Button>Sign in</Button>
        </Form>
        <Link to="/forgotten" className="flex min-h-11 w-fit items-center underline underline-offset-4">
          Forgotten password?
        </Link>
        <Disclaimer className="text-sand-600" />
      </section>
    </main>
  );
}

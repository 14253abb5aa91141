import { count } from "@able-tide/words/text";
import { getFormProps, type Submission, type SubmissionResult, useForm } from "@conform-to/react";
import { toString as drawCode } from "qrcode";
import { data, Form } from "react-router";
import { parseForm } from "../../forms/parse-form.ts";
import { PasswordAgainForm, SecondFactorForm } from "../../forms/sign-in-form.ts";
import {
  beginSecondFactor,
  type FactorChange,
  recoveryCodesLeft,
  turnOffSecondFactor,
  turnOnSecondFactor,
} from "../../server/accounts/second-factor.ts";
import { presentPasswordProblem } from "../confirmed.server.ts";
import { formDataOf, intentOf } from "../form-data.server.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { TextField } from "../kit/field.tsx";
import { PageHead } from "../kit/shell.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/second-factor";

export const meta: Route.MetaFunction = () => [{ title: "Second factor · Able Tide" }];

/** Letters of a secret in fours, to be typed. */
const inFours = (secret: string): string => secret.replace(/(.{4})(?=.)/g, "$1 ");

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const factor = await beginSecondFactor(scope);
  if (factor === null) return { isOn: true as const, left: await recoveryCodesLeft(scope) };
  const drawing = await drawCode(factor.address, { type: "svg", margin: 1 });
  return {
    isOn: false as const,
    secret: inFours(factor.secret),
    picture: `data:image/svg+xml,${encodeURIComponent(drawing)}`,
  };
}

interface Answer {
  readonly result: SubmissionResult<string[]>;
  /** Recovery codes, shown this once. */
  readonly codes?: readonly string[];
}

/** What is wrong, at its field; null where nothing is. */
function problemOf(change: FactorChange): Record<string, string[]> | null {
  switch (change.kind) {
    case "on":
    case "off":
      return null;
    case "wrongCode":
      return { code: ["This code is wrong. Check that the clock of your phone is right, and enter the next one."] };
    case "wrong":
    case "wait":
      return { password: [presentPasswordProblem(change)] };
  }
}

/** Changes the second factor as a form says, and answers the form. */
async function answerTo<Typed>(submission: Submission<Typed, string[]>, change: (typed: Typed) => Promise<FactorChange>) {
  const hideFields = ["code", "password"];
  if (submission.status !== "success") return data<Answer>({ result: submission.reply({ hideFields }) }, { status: 422 });
  const outcome = await change(submission.value);
  const fieldErrors = problemOf(outcome);
  if (fieldErrors) return data<Answer>({ result: submission.reply({ hideFields, fieldErrors }) }, { status: 422 });
  const result = submission.reply({ resetForm: true });
  return data<Answer>(outcome.kind === "on" ? { result, codes: outcome.codes } : { result });
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const formData = await formDataOf(request);
  return intentOf(formData, ["on", "off"]) === "on"
    ? answerTo(parseForm(formData, { schema: SecondFactorForm }), (typed) => turnOnSecondFactor(scope, typed))
    : answerTo(parseForm(formData, { schema: PasswordAgainForm }), ({ password }) => turnOffSecondFactor(scope, password));
}

function TurnOn({ secret, picture, lastResult }: { secret: string; picture: string; lastResult: Answer["result"] | null }) {
  const [form, fields] = useForm({
    id: "on",
    lastResult,
    onValidate: ({ formData }) => parseForm(formData, { schema: SecondFactorForm }),
  });
  return (
    <div className="grid items-start gap-8 md:grid-cols-[16rem_minmax(0,1fr)]">
      <img
        src={picture}
        alt="QR code for your app, or type the text next to it"
        className="w-64 rounded-soft border border-sand-300"
      />
      <div>
        <ol className="mb-4 list-decimal pl-6 text-lg">
          <li>Open an app for one-time codes on your phone.</li>
          <li>
            Let the app read the picture, or type this: <strong className="break-words select-all">{secret}</strong>
          </li>
          <li>Enter the code that the app shows, and your password.</li>
        </ol>
        <Form method="post" {...getFormProps(form)} className="grid max-w-md gap-4">
          <TextField field={fields.code} label="Code" inputMode="numeric" autoComplete="one-time-code" />
          <TextField field={fields.password} label="Password" type="password" autoComplete="current-password" />
          <div>
            <Button name="intent" value="on">
              Turn on
            </Button>
          </div>
        </Form>
      </div>
    </div>
  );
}

function TurnOff({ left, lastResult }: { left: number; lastResult: Answer["result"] | null }) {
  const [form, fields] = useForm({
    id: "off",
    lastResult,
    onValidate: ({ formData }) => parseForm(formData, { schema: PasswordAgainForm }),
  });
  return (
    <>
      <p className="mb-4 text-lg">
        The second factor is on. You have {count(left, "recovery code", "recovery codes")} left. For new ones, turn it off and on
        again.
      </p>
      <Form method="post" {...getFormProps(form)} className="grid max-w-md gap-4">
        <TextField field={fields.password} label="Password" type="password" autoComplete="current-password" />
        <div>
          <Button look="plain" name="intent" value="off">
            Turn off
          </Button>
        </div>
      </Form>
    </>
  );
}

function RecoveryCodes({ codes }: { codes: readonly string[] }) {
  return (
    <section className="mb-6 max-w-2xl rounded-soft border-2 border-tide-700 p-4" aria-labelledby="codes-head">
      <h2 id="codes-head" className="text-xl">
        Keep these recovery codes
      </h2>
      <p className="mb-3" role="status">
        They are shown only now. Each signs you in once when your phone is lost. Write them down and keep them apart from your
        password.
      </p>
      <ul className="grid grid-cols-2 gap-x-8 font-mono text-lg sm:grid-cols-3">
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ul>
    </section>
  );
}

export default function SecondFactorPage({ loaderData, actionData }: Route.ComponentProps) {
  const answer = (actionData as Answer | undefined) ?? null;
  const lastResult = answer?.result ?? null;
  return (
    <>
      <PageHead title="Second factor" note="A code of an app on your phone, in addition to your password.">
        <ButtonLink look="plain" to="/account">
          Back to your account
        </ButtonLink>
      </PageHead>
      {answer?.codes && <RecoveryCodes codes={answer.codes} />}
      {loaderData.isOn ? (
        <TurnOff left={loaderData.left} lastResult={lastResult} />
      ) : (
        <TurnOn secret={loaderData.secret} picture={loaderData.picture} lastResult={lastResult} />
      )}
    </>
  );
}

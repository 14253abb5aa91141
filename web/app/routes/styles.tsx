import { present } from "@able-tide/core/checked-access";
import { PHASES } from "@able-tide/core/movement/format";
import { COUNTED_REPETITIONS, type TeachingStyle, VERSIONS_AT_A_TIME } from "@able-tide/core/plan/style";
import { STYLE_QUESTIONS } from "@able-tide/core/plan/style-questions";
import { phaseLabel } from "@able-tide/words/phase";
import { formatStyleChoice, readyStyleFor, styleChoiceWords, styleQuestionLabel } from "@able-tide/words/style";
import { sentenceCase } from "@able-tide/words/text";
import { getFormProps, useForm } from "@conform-to/react";
import { data, Form } from "react-router";
import { parseForm } from "../../forms/parse-form.ts";
import { idealName, leastName, StyleForm } from "../../forms/style-form.ts";
import { listStyles, removeStyle, saveStyle } from "../../server/plans/styles.ts";
import { formDataOf, intentOf, optionalIdOf } from "../form-data.server.ts";
import { Button } from "../kit/button.tsx";
import { Problem, SelectField, TextField } from "../kit/field.tsx";
import { type FormAnswer, resultOf } from "../kit/form-answer.ts";
import { PageHead } from "../kit/shell.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/styles";

export const meta: Route.MetaFunction = () => [{ title: "Teaching styles · Able Tide" }];

export const loader = async ({ context }: Route.LoaderArgs) => ({ styles: await listStyles(context.get(scopeContext)) });

/** The answer to one of the forms: a style's by its id, or "new" and the name it began from. */
type Answer = FormAnswer;

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const formData = await formDataOf(request);
  const styleId = optionalIdOf(formData, "styleId");
  if (intentOf(formData, ["save", "remove"]) === "remove") {
    if (styleId !== null) await removeStyle(scope, styleId);
    return null;
  }
  const form = styleId ?? `new ${formData.get("basedOn")}`;
  const submission = parseForm(formData, { schema: StyleForm });
  if (submission.status !== "success") return data<Answer>({ form, result: submission.reply() }, { status: 422 });
  const kept = await saveStyle(scope, styleId, submission.value);
  if (kept === null) {
    const taken = submission.reply({ fieldErrors: { name: ["This name is already used. Choose another."] } });
    return data<Answer>({ form, result: taken }, { status: 422 });
  }
  return data<Answer>({ form, result: submission.reply() });
}

const formOf = (style: TeachingStyle, id: string | null): string => id ?? `new ${style.name}`;

type Kept = Route.ComponentProps["loaderData"]["styles"][number];

/** What the boxes of the phases begin with. */
const phaseValues = ({ phases = {} }: TeachingStyle): Record<string, number> =>
  Object.fromEntries(
    PHASES.flatMap((phase) => {
      const own = phases[phase];
      return own ? [[idealName(phase), own.ideal] as const, [leastName(phase), own.least] as const] : [];
    }),
  );

/** Repetitions of phases that have their own. */
function PhaseFields({ field }: { field: (name: string) => Parameters<typeof TextField>[0]["field"] }) {
  return (
    <fieldset className="rounded-[10px] border border-sand-200 p-3">
      <legend className="px-1 font-semibold">Repetitions by phase</legend>
      <p className="text-sand-600">Leave a phase empty for the numbers above.</p>
      <div className="mt-2 grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
        {PHASES.map((phase) => (
          <div key={phase} className="grid grid-cols-2 gap-2">
            <TextField field={field(idealName(phase))} label={sentenceCase(phaseLabel(phase))} inputMode="numeric" />
            <TextField
              field={field(leastName(phase))}
              label={`${sentenceCase(phaseLabel(phase))}, minimum`}
              inputMode="numeric"
            />
          </div>
        ))}
      </div>
    </fieldset>
  );
}

/**
 * One style's choices, each with what it does; one that ships is kept as a new one of their own.
 *
 * Long because it is one form.
 */
function StyleFields({ kept, answer }: { kept: Kept; answer: Answer | null }) {
  const { id, style } = kept;
  const { phases: _, ...chosen } = style;
  const formId = formOf(style, id);
  const [form, fields] = useForm<Record<string, string>>({
    id: formId.replaceAll(/[^a-zA-Z0-9]+/g, "-"),
    lastResult: resultOf(answer, formId),
    defaultValue: Object.fromEntries(
      Object.entries({
        ...chosen,
        ...phaseValues(style),
        versions: style.versions ?? VERSIONS_AT_A_TIME.usual,
        name: id === null ? `${style.name}, ours` : style.name,
      }).map(([name, value]) => [name, String(value)]),
    ),
    onValidate: ({ formData }) => parseForm(formData, { schema: StyleForm }) as never,
  });
  const field = (name: string) => present(fields[name], "field");
  const saved = resultOf(answer, formId)?.status === "success";
  return (
    <Form method="post" {...getFormProps(form)} className="flex flex-col gap-4">
      <input type="hidden" name="styleId" value={id ?? ""} />
      <input type="hidden" name="basedOn" value={style.name} />
      <Problem id={`${form.id}-problem`} errors={form.errors} />
      <div className="grid gap-4 sm:grid-cols-4">
        <TextField field={field("name")} label="Name" className="sm:col-span-1" />
        <SelectField
          field={field("rounds")}
          label="Counted repetitions"
          options={COUNTED_REPETITIONS.map((n) => [String(n), String(n)])}
        />
        <TextField field={field("leastRounds")} label="Minimum repetitions" inputMode="numeric" />
        <TextField field={field("breathSeconds")} label="Breath length" hint="s" inputMode="decimal" />
      </div>
      <SelectField
        field={field("versions")}
        label="Versions of a movement at a time"
        hint="Most that are led side by side. A participant who fits none of them has their own."
        options={VERSIONS_AT_A_TIME.choices.map((n) => [String(n), String(n)])}
      />
      <PhaseFields field={field} />
      <div className="grid gap-x-6 gap-y-3 md:grid-cols-2">
        {STYLE_QUESTIONS.map(({ name, choices }) => (
          <fieldset key={name} className="rounded-[10px] border border-sand-200 px-3 pb-2">
            <legend className="px-1 font-semibold">{styleQuestionLabel(name)}</legend>
            {choices.map((choice) => (
              <label key={choice} className="flex items-baseline gap-2 py-1">
                <input
                  type="radio"
                  name={name}
                  value={choice}
                  defaultChecked={(field(name).initialValue ?? style[name]) === choice}
                  className="size-4 shrink-0 translate-y-0.5 accent-tide-700"
                />
                <span>
                  {sentenceCase(styleChoiceWords(name, choice).label)}
                  <span className="block text-sand-600">{styleChoiceWords(name, choice).does}</span>
                </span>
              </label>
            ))}
          </fieldset>
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <Button name="intent" value="save">
          {id === null ? "Save as our style" : "Save"}
        </Button>
        {id !== null && (
          <Button look="quiet" name="intent" value="remove" formNoValidate>
            Delete
          </Button>
        )}
        {saved && <span role="status">Saved. Existing plans keep their style until you choose another.</span>}
      </div>
    </Form>
  );
}

/** What sets a style apart, in a line. */
const inBrief = (style: TeachingStyle): string =>
  [
    sentenceCase(formatStyleChoice(style, "counting")),
    `${style.rounds} repetitions, breath length ${style.breathSeconds} s`,
    `first side: ${formatStyleChoice(style, "firstSide")}`,
    `stance height: ${formatStyleChoice(style, "depth")}`,
  ].join(" · ");

export default function Styles({ loaderData: { styles }, actionData }: Route.ComponentProps) {
  const answer = actionData ?? null;
  return (
    <>
      <PageHead
        title="Teaching styles"
        note="Instructors teach differently. Each plan uses one style; a participant's caps always take priority."
      />
      <ul className="flex flex-col gap-4">
        {styles.map((kept) => (
          <li key={formOf(kept.style, kept.id)} className="rounded-soft border border-sand-300 bg-white">
            <details open={answer?.form === formOf(kept.style, kept.id)}>
              <summary className="flex min-h-16 flex-wrap items-baseline gap-x-4 px-5 py-3">
                <span className="font-display text-xl font-bold">{kept.style.name}</span>
                <span className="text-sand-600">{kept.id === null ? "Built in" : "Added by you"}</span>
                <span className="basis-full">{kept.ready ? readyStyleFor(kept.ready) : inBrief(kept.style)}</span>
              </summary>
              <div className="border-t border-sand-200 p-5">
                <StyleFields kept={kept} answer={answer} />
              </div>
            </details>
          </li>
        ))}
      </ul>
    </>
  );
}

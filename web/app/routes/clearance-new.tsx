import { limitationRule } from "@able-tide/core/caps/limitations/all";
import { formatLimitation } from "@able-tide/words/limitations";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { data, Form, redirect } from "react-router";
import { clearanceForm } from "../../forms/clearance-form.ts";
import { readDecisions, typedTexts } from "../../forms/decisions.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { activeCaps } from "../../server/people/caps.ts";
import { type ClearanceInput, enterClearance } from "../../server/people/clearances.ts";
import { fileKind, MAX_FILE_BYTES } from "../../server/people/file-kind.ts";
import { limitationHistory } from "../../server/people/limitations.ts";
import { findPerson } from "../../server/people/people.ts";
import { proposalsFor } from "../../server/people/record-limitation.ts";
import { type Scope, today } from "../../server/scope.ts";
import { formDataOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { Problem, TextArea, TextField } from "../kit/field.tsx";
import { PageHead } from "../kit/shell.tsx";
import { BeforeAndAfter } from "../people/before-and-after.tsx";
import { asCap, existingCapsFor } from "../people/existing-caps.ts";
import { ProposalList } from "../people/proposal-list.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/clearance-new";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Add clearance: ${loaderData?.person.name ?? "a person"} · Able Tide` },
];

async function found(scope: Scope, { personId, limitationId }: Route.LoaderArgs["params"]) {
  const person = isId(personId) ? await findPerson(scope, personId) : null;
  const limitation =
    person && (await limitationHistory(scope, person.id)).find(({ id, ended }) => id === limitationId && ended === null);
  const rule = limitation && limitationRule(limitation.rule);
  if (!person || !limitation || !rule) throw notFound();
  return { person, limitation, rule, proposals: await proposalsFor(scope, person.id, rule, limitation) };
}

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const { person, limitation, proposals } = await found(scope, params);
  const day = today(scope);
  const holding = (await activeCaps(scope, [person.id], day)).get(person.id) ?? [];
  return {
    person: { id: person.id, name: person.name, stature: person.stature, measured: person.measured },
    title: formatLimitation(limitation),
    waitsId: `waits-${limitation.id}`,
    holding,
    proposals,
    beside: existingCapsFor(holding, proposals),
    today: day,
    clinician: scope.role === "clinician" ? scope.accountName : null,
  };
}

/** The attached file, or a sentence about what is wrong with it. */
async function fileFrom(formData: FormData): Promise<{ file: ClearanceInput["file"] } | { problem: string }> {
  const file = formData.get("file");
  if (!(file instanceof File) || file.size === 0) return { file: null };
  if (file.size > MAX_FILE_BYTES) return { problem: "The file is over 5 MB. Choose a smaller file." };
  const content = Buffer.from(await file.arrayBuffer());
  const kind = fileKind(content);
  if (kind === null) return { problem: "This file type cannot be read. Attach a PDF, PNG or JPEG." };
  return { file: { name: file.name.slice(-80), kind, content } };
}

interface Answer {
  readonly result: SubmissionResult<string[]>;
  readonly file?: string;
  readonly problems: Readonly<Record<number, string>>;
  readonly typed: Readonly<Record<string, string>>;
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const { person, limitation, proposals } = await found(scope, params);
  const formData = await formDataOf(request);
  const read = await fileFrom(formData);
  const { decisions, problems } = readDecisions(formData, proposals, true);
  formData.delete("file");
  const submission = parseForm(formData, { schema: clearanceForm(today(scope)) });
  if (submission.status !== "success" || "problem" in read || Object.keys(problems).length > 0) {
    const typed = typedTexts(formData);
    const answer: Answer = {
      result: submission.reply(),
      problems,
      typed,
      ...("problem" in read ? { file: read.problem } : {}),
    };
    return data(answer, { status: 422 });
  }
  const input = { ...submission.value, limitationId: limitation.id, file: read.file };
  if ((await enterClearance(scope, person.id, input, proposals, decisions)) === null) throw notFound();
  return redirect(`/people/${person.id}`);
}

/** Long because it is one form: the advice, the file and the caps. */
export default function NewClearance({ loaderData, actionData }: Route.ComponentProps) {
  const { person, title, holding, proposals, clinician } = loaderData;
  const answer = actionData as Answer | undefined;
  const [form, fields] = useForm({
    id: "clearance",
    lastResult: answer?.result ?? null,
    defaultValue: { day: loaderData.today, clinician: clinician ?? "" },
    onValidate: ({ formData }) => parseForm(formData, { schema: clearanceForm(loaderData.today) }),
  });
  const after = [...holding.filter(({ id }) => !id.startsWith(loaderData.waitsId)), ...proposals.map(asCap)];
  return (
    <>
      <PageHead title={`Add clearance: ${person.name}`} note={title}>
        <ButtonLink look="plain" to={`/people/${person.id}`}>
          Back to {person.name}
        </ButtonLink>
      </PageHead>
      <Form
        method="post"
        encType="multipart/form-data"
        {...getFormProps(form)}
        className="grid items-start gap-6 lg:grid-cols-[1fr_26rem]"
      >
        <div className="flex flex-col gap-4 rounded-soft border border-sand-300 bg-white p-6">
          <div className="grid gap-4 sm:grid-cols-2">
            <TextField field={fields.clinician} label="Clinician" hint="Who signed the letter" />
            <TextField field={fields.day} label="Date of the letter" type="date" />
          </div>
          <TextArea field={fields.says} label="What the letter says" rows={2} />
          <div>
            <label htmlFor="clearance-file" className="mb-1 block font-semibold">
              The letter <span className="font-normal text-sand-600">PDF or picture, up to 5 MB (optional)</span>
            </label>
            <input
              id="clearance-file"
              name="file"
              type="file"
              accept="application/pdf,image/png,image/jpeg"
              className="field-box py-2"
              aria-describedby={answer?.file ? "clearance-file-problem" : undefined}
            />
            <Problem id="clearance-file-problem" errors={answer?.file ? [answer.file] : undefined} />
          </div>
          <div>
            <h2 className="text-xl">Caps in this clearance</h2>
            <p className="text-sand-600">
              Standard caps are filled in. Use the letter's own numbers where given; decline caps it does not mention. Clinical
              caps can then only be changed by a clinician.
            </p>
            {proposals.length === 0 && (
              <p className="mt-2 text-lg">No standard caps for this limitation. Add caps on the participant's page.</p>
            )}
            <ProposalList
              proposals={proposals}
              beside={loaderData.beside}
              problems={answer?.problems ?? {}}
              typed={answer?.typed ?? {}}
              clinicianSays
            />
          </div>
          <div>
            <Button>Save clearance</Button>
          </div>
        </div>
        <BeforeAndAfter person={person} before={holding} after={after} />
      </Form>
    </>
  );
}

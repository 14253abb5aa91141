import { LIMITATION_RULES, limitationRule } from "@able-tide/core/caps/limitations/all";
import { AREAS, type LimitationRule } from "@able-tide/core/caps/limitations/rule";
import { interimCaps, phaseOn, waitsForClinician } from "@able-tide/core/caps/propose";
import { formatCapLimit } from "@able-tide/words/format-cap";
import { areaLabel, formatCautionsOf, limitationKindLabel, limitationLabel, sourceLabel } from "@able-tide/words/limitations";
import { getFormProps, useForm } from "@conform-to/react";
import { useState } from "react";
import { data, Form, redirect } from "react-router";
import { readDecisions, typedTexts } from "../../forms/decisions.ts";
import { type LimitationChoiceInput, limitationChoice } from "../../forms/limitation-choice.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { activeCaps } from "../../server/people/caps.ts";
import { findPerson } from "../../server/people/people.ts";
import { proposalsFor, recordLimitation } from "../../server/people/record-limitation.ts";
import { today } from "../../server/scope.ts";
import { formDataOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { SelectField, TextField } from "../kit/field.tsx";
import { PageHead } from "../kit/shell.tsx";
import { BeforeAndAfter } from "../people/before-and-after.tsx";
import { asCap, existingCapsFor } from "../people/existing-caps.ts";
import { ProposalList } from "../people/proposal-list.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/limitation-new";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Add limitation: ${loaderData?.person.name ?? "a person"} · Able Tide` },
];

/** The rule as the page needs it. */
const shown = ({ name, sided, timed, kinds, source, decides }: LimitationRule) => ({
  name,
  label: limitationLabel(name),
  sided,
  timed,
  kinds: kinds ?? [],
  source: sourceLabel(source),
  decides,
});

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const person = isId(params.personId) ? await findPerson(scope, params.personId) : null;
  if (!person) throw notFound();
  const day = today(scope);
  const query = new URL(request.url).searchParams;
  const holding = (await activeCaps(scope, [person.id], day)).get(person.id) ?? [];
  const named = limitationRule(query.get("rule") ?? "");
  const submission = query.has("rule") ? parseForm(query, { schema: limitationChoice(day) }) : null;
  const base = {
    person: { id: person.id, name: person.name, stature: person.stature, measured: person.measured },
    today: day,
    holding,
    rule: named && shown(named),
    chosen: null,
  };
  if (submission?.status !== "success") {
    // A rule chosen and its details not yet given is no mistake.
    const detailed = query.has("detailed");
    return { ...base, choice: submission?.reply({ ...(detailed ? {} : { fieldErrors: {} }) }) ?? null, detailed };
  }
  const { rule, limitation } = submission.value;
  const detailed = query.has("detailed") || (!rule.sided && !rule.timed && !rule.kinds);
  const proposals = await proposalsFor(scope, person.id, rule, limitation);
  return {
    ...base,
    choice: submission.reply(),
    detailed,
    chosen: detailed
      ? {
          limitation,
          cautions: formatCautionsOf(limitation),
          proposals,
          beside: existingCapsFor(holding, proposals),
          phase: phaseOn(rule, limitation.eventDay, day),
          waits: waitsForClinician(rule, limitation, day),
          interim: interimCaps(rule, { ...limitation, id: "new" }, day),
        }
      : null,
  };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const person = isId(params.personId) ? await findPerson(scope, params.personId) : null;
  if (!person) throw notFound();
  const formData = await formDataOf(request);
  const submission = parseForm(formData, { schema: limitationChoice(today(scope)) });
  if (submission.status !== "success") throw data("Choose the limitation again.", { status: 422 });
  const { rule, limitation } = submission.value;
  const proposals = await proposalsFor(scope, person.id, rule, limitation);
  const { decisions, problems } = readDecisions(formData, proposals, false);
  if (Object.keys(problems).length > 0) {
    const typed = typedTexts(formData);
    return data({ problems, typed }, { status: 422 });
  }
  await recordLimitation(scope, person.id, rule, limitation, proposals, decisions);
  return redirect(`/people/${person.id}`);
}

type Loaded = Route.ComponentProps["loaderData"];

const SIDES = [
  ["", "choose"],
  ["right", "right"],
  ["left", "left"],
  ["both", "both"],
] as const;

/** Long because it is one form whose fields follow from the limitation. */
function Choose({ loaded }: { loaded: Loaded }) {
  const [form, fields] = useForm<LimitationChoiceInput>({
    id: "limitation",
    lastResult: loaded.choice,
    defaultValue: { rule: loaded.rule?.name ?? "" },
  });
  const [name, setName] = useState(loaded.rule?.name ?? "");
  const rule = LIMITATION_RULES.find((each) => each.name === name);
  return (
    <Form method="get" {...getFormProps(form)} className="flex flex-col gap-4 rounded-soft border border-sand-300 bg-white p-6">
      <div>
        <label htmlFor={fields.rule.id} className="mb-1 block text-lg font-semibold">
          Limitation
        </label>
        <select
          id={fields.rule.id}
          name="rule"
          defaultValue={name}
          onChange={(event) => setName(event.currentTarget.value)}
          className="field-box"
        >
          <option value="" disabled>
            choose
          </option>
          {AREAS.map((area) => (
            <optgroup key={area} label={areaLabel(area)}>
              {LIMITATION_RULES.filter((each) => each.area === area).map((each) => (
                <option key={each.name} value={each.name}>
                  {limitationLabel(each.name)}
                </option>
              ))}
            </optgroup>
          ))}
        </select>
      </div>
      {rule && (
        <>
          <input type="hidden" name="detailed" value="yes" />
          <div className="grid gap-4 sm:grid-cols-2">
            {rule.sided && <SelectField key={`${name}-side`} field={fields.side} label="Side" options={SIDES} />}
            {rule.kinds && (
              <SelectField
                key={`${name}-kind`}
                field={fields.kind}
                label="Which"
                options={[["", "choose"], ...rule.kinds.map((kind) => [kind, limitationKindLabel(rule.name, kind)] as const)]}
              />
            )}
            {rule.timed && (
              <TextField
                field={fields.eventDay}
                label="Date it happened"
                hint="Leave empty if unknown. The limitation is then treated as recent."
                type="date"
              />
            )}
            <TextField field={fields.note} label="Note" hint="optional" />
          </div>
        </>
      )}
      <div>
        <Button look={loaded.chosen ? "plain" : "main"}>Show suggested caps</Button>
      </div>
    </Form>
  );
}

type Chosen = NonNullable<Loaded["chosen"]>;

/** Long because it is one form: what a limitation means, and what is decided. */
function Means({
  loaded,
  chosen,
  answer,
}: {
  loaded: Loaded;
  chosen: Chosen;
  answer: { problems: Record<number, string>; typed: Record<string, string> } | undefined;
}) {
  const { person, holding, rule } = loaded;
  const { limitation, proposals, waits, interim } = chosen;
  const [declined, setDeclined] = useState<ReadonlySet<number>>(new Set());
  const after = waits ? interim : proposals.map(asCap).filter((_, i) => !declined.has(i));
  return (
    <Form method="post" className="mt-6 grid items-start gap-6 lg:grid-cols-[1fr_26rem]">
      {Object.entries(limitation).map(
        ([name, value]) => value !== null && <input key={name} type="hidden" name={name} value={value} />,
      )}
      <div className="rounded-soft border border-sand-300 bg-white p-6">
        <h2 className="text-2xl">{waits ? "Clinician's advice needed" : "Suggested caps"}</h2>
        <p className="text-sand-600">
          {rule?.timed && `${chosen.phase}. `}Source: {rule?.source}. A starting point; the clinician's advice takes priority.
        </p>
        {waits && (
          <>
            <p className="mt-2 text-lg font-semibold text-signal-700">Until a clearance is recorded:</p>
            <ul className="list-disc pl-6 text-lg">
              {interim.map(({ limit, id }) => (
                <li key={id}>{formatCapLimit(limit)}</li>
              ))}
            </ul>
          </>
        )}
        {!waits && proposals.length === 0 && <p className="mt-2 text-lg">For information only: no caps are set.</p>}
        {!waits && (
          <ProposalList
            proposals={proposals}
            beside={chosen.beside}
            problems={answer?.problems ?? {}}
            typed={answer?.typed ?? {}}
            clinicianSays={false}
            onChange={(i, kind) =>
              setDeclined((before) => {
                const next = new Set(before);
                if (kind === "decline") next.add(i);
                else next.delete(i);
                return next;
              })
            }
          />
        )}
        {chosen.cautions.length > 0 && (
          <>
            <h3 className="mt-3 text-lg">Precautions</h3>
            <ul className="list-disc pl-6">
              {chosen.cautions.map((caution) => (
                <li key={caution}>{caution}</li>
              ))}
            </ul>
          </>
        )}
        <Button className="mt-4">Save limitation</Button>
      </div>
      <BeforeAndAfter person={person} before={holding} after={[...holding, ...after]} />
    </Form>
  );
}

export default function NewLimitation({ loaderData, actionData }: Route.ComponentProps) {
  const { person, chosen } = loaderData;
  return (
    <>
      <PageHead
        title={`Add limitation: ${person.name}`}
        note="Choose a limitation, see the suggested caps, then decide on each one."
      >
        <ButtonLink look="plain" to={`/people/${person.id}`}>
          Back to {person.name}
        </ButtonLink>
      </PageHead>
      <Choose key={loaderData.rule?.name ?? ""} loaded={loaderData} />
      {chosen && <Means key={JSON.stringify(chosen.limitation)} loaded={loaderData} chosen={chosen} answer={actionData} />}
    </>
  );
}

import type { SubmissionResult } from "@conform-to/react";
import { data, Link, redirect } from "react-router";
import { erasePerson, notesNaming } from "../../server/people/erase.ts";
import { findPerson } from "../../server/people/people.ts";
import { unconfirmed } from "../confirmed.server.ts";
import { formatDay } from "../days.ts";
import { formDataOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { ButtonLink } from "../kit/button.tsx";
import { ConfirmForGood } from "../kit/confirm-for-good.tsx";
import { PageHead } from "../kit/shell.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/person-erase";

export const meta: Route.MetaFunction = () => [{ title: "Erase · Able Tide" }];

async function personOf({ params, context }: Pick<Route.LoaderArgs, "params" | "context">) {
  const scope = context.get(scopeContext);
  const person = isId(params.personId) ? await findPerson(scope, params.personId) : null;
  if (!person) throw notFound();
  return { scope, person };
}

export async function loader(args: Route.LoaderArgs) {
  const { scope, person } = await personOf(args);
  return { id: person.id, name: person.name, notes: await notesNaming(scope, person.name) };
}

interface Answer {
  readonly result: SubmissionResult<string[]> | null;
  readonly inClass?: boolean;
}

export async function action(args: Route.ActionArgs) {
  const { scope, person } = await personOf(args);
  const result = await unconfirmed(scope, await formDataOf(args.request), person.name);
  if (result) return data<Answer>({ result }, { status: 422 });
  const outcome = await erasePerson(scope, person.id);
  if (outcome === "unknown") throw notFound();
  if (outcome === "inClass") return data<Answer>({ result: null, inClass: true }, { status: 409 });
  return redirect("/people");
}

export default function ErasePage({ loaderData: { id, name, notes }, actionData }: Route.ComponentProps) {
  const answer = (actionData as Answer | undefined) ?? null;
  return (
    <>
      <PageHead title={`Erase ${name}`} note="For good. It cannot be taken back.">
        <ButtonLink look="plain" to={`/people/${id}`}>
          Back to {name}
        </ButtonLink>
      </PageHead>
      {answer?.inClass && (
        <p role="alert" className="mb-4 text-lg font-semibold text-signal-700">
          {name} is in a class that has not ended. End the class first.
        </p>
      )}
      <div className="grid items-start gap-8 text-lg lg:grid-cols-2">
        <div>
          <h2 className="mb-1 text-xl">What is erased</h2>
          <p className="mb-4">
            Name, body, notes, limitations, caps, clearances and their letters, measured ranges, test results, check-ins,
            attendance, and what was noted in classes.
          </p>
          <h2 className="mb-1 text-xl">What is kept, and why</h2>
          <ul className="mb-4 list-disc pl-6">
            <li>That the classes took place, with their movements and everyone else: others' records depend on them.</li>
            <li>Who erased someone, and when, without a name or health data: to show that it was done.</li>
            <li>A number without a name, so that a restored back-up brings no one back.</li>
          </ul>
          {notes.length > 0 && (
            <>
              <h2 className="mb-1 text-xl">Notes that name {name}</h2>
              <p>
                Closing notes are your team's own words and stay:{" "}
                {notes.map(({ classId, day }) => (
                  <Link key={classId} to={`/classes/${classId}`} className="mr-3 underline underline-offset-4">
                    {formatDay(day)}
                  </Link>
                ))}
              </p>
            </>
          )}
          <p className="mt-4">
            <a href={`/people/${id}/export`} className="font-semibold underline underline-offset-4">
              Export everything of {name} first
            </a>
          </p>
        </div>
        <ConfirmForGood name={name} intent="erase" lastResult={answer?.result ?? null}>
          {`Erase ${name} for good`}
        </ConfirmForGood>
      </div>
    </>
  );
}

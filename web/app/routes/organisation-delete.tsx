import type { SubmissionResult } from "@conform-to/react";
import { data, redirect } from "react-router";
import { deleteOrganisation } from "../../server/accounts/delete-organisation.ts";
import { unconfirmed } from "../confirmed.server.ts";
import { signedOutHeaders } from "../cookies.server.ts";
import { formDataOf } from "../form-data.server.ts";
import { ButtonLink } from "../kit/button.tsx";
import { ConfirmForGood } from "../kit/confirm-for-good.tsx";
import { PageHead } from "../kit/shell.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/organisation-delete";

export const meta: Route.MetaFunction = () => [{ title: "Delete organisation · Able Tide" }];

export const loader = ({ context }: Route.LoaderArgs) => ({ name: context.get(scopeContext).organisationName });

interface Answer {
  readonly result: SubmissionResult<string[]> | null;
  readonly inClass?: boolean;
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const result = await unconfirmed(scope, await formDataOf(request), scope.organisationName);
  if (result) return data<Answer>({ result }, { status: 422 });
  if (!(await deleteOrganisation(scope))) return data<Answer>({ result: null, inClass: true }, { status: 409 });
  return redirect("/sign-in", { headers: await signedOutHeaders() });
}

export default function DeleteOrganisationPage({ loaderData: { name }, actionData }: Route.ComponentProps) {
  const answer = (actionData as Answer | undefined) ?? null;
  return (
    <>
      <PageHead title={`Delete ${name}`} note="For good. It cannot be taken back.">
        <ButtonLink look="plain" to="/organisation">
          Back to the organisation
        </ButtonLink>
      </PageHead>
      {answer?.inClass && (
        <p role="alert" className="mb-4 text-lg font-semibold text-signal-700">
          A class has not ended. End it first.
        </p>
      )}
      <p className="mb-4 max-w-2xl text-lg">
        Everything goes: participants, plans, classes, results, the record of changes, and the accounts of team members who belong
        to no other organisation. Back-ups that were made before still have it.
      </p>
      <p className="mb-6 text-lg">
        <a href="/organisation/export" className="font-semibold underline underline-offset-4">
          Export everything first
        </a>
      </p>
      <ConfirmForGood name={name} intent="delete" lastResult={answer?.result ?? null}>
        {`Delete ${name} for good`}
      </ConfirmForGood>
    </>
  );
}

import type { Draft } from "./draft.ts";

/** What the server says to a draft that was sent. */
export type SaveAnswer =
  | { readonly kind: "saved"; readonly version: number }
  | { readonly kind: "refused"; readonly message: string }
  | { readonly kind: "elsewhere"; readonly theirs: Draft; readonly version: number };

/** What it says when a plan is to be taught. */
export type TeachAnswer =
  | { readonly kind: "begun"; readonly classId: string }
  | { readonly kind: "refused"; readonly message: string };

async function post<Answer>(address: string, body: unknown): Promise<Answer> {
  const response = await fetch(address, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify(body),
  });
  if (!response.headers.get("Content-Type")?.startsWith("application/json")) throw new Error(`answered ${response.status}`);
  return response.json();
}

/** Sends a draft. @throws when there is no answer */
export const savePlan = (planId: string, content: Draft, version: number): Promise<SaveAnswer> =>
  post(`/plans/${planId}/content`, { version, content });

/** Begins the class of a saved plan. @throws when there is no answer */
export const beginTeaching = (planId: string): Promise<TeachAnswer> => post(`/plans/${planId}/teach`, {});

import type { Combination } from "@able-tide/core/plan/combination";
import type { Draft } from "./draft.ts";

/** What the server says to a draft that was sent. */
export type SaveAnswer =
  | { readonly kind: "saved"; readonly revision: number }
  | { readonly kind: "refused"; readonly message: string }
  | { readonly kind: "elsewhere"; readonly theirs: Draft; readonly revision: number };

/** What it says when a plan is to be taught. */
export type TeachAnswer =
  | { readonly kind: "begun"; readonly classId: string }
  | { readonly kind: "refused"; readonly message: string };

/** What it says when a combination is to be saved in the library. */
export type CombinationAnswer = { readonly kind: "saved" } | { readonly kind: "refused"; readonly message: string };

const SIGNED_OUT = {
  kind: "refused",
  message: "You are signed out. Sign in in another tab, then make a change here to save.",
} as const;

async function post<Answer>(address: string, body: unknown): Promise<Answer | typeof SIGNED_OUT> {
  const response = await fetch(address, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify(body),
  });
  if (response.status === 401) return SIGNED_OUT;
  if (!response.headers.get("Content-Type")?.startsWith("application/json")) throw new Error(`answered ${response.status}`);
  return response.json();
}

/** Sends a draft. @throws when there is no answer */
export const savePlan = (planId: string, content: Draft, revision: number): Promise<SaveAnswer> =>
  post(`/plans/${planId}/content`, { revision, content });

/** Saves a combination in the library. @throws when there is no answer */
export const keepCombination = (combination: Combination): Promise<CombinationAnswer> =>
  post("/combinations/save", { combination });

/** Begins the class of a saved plan. @throws when there is no answer */
export const beginTeaching = (planId: string): Promise<TeachAnswer> => post(`/plans/${planId}/teach`, {});

import { data } from "react-router";
import { isId } from "./ids.ts";
import { notFound } from "./signed-in.server.ts";

/** The form that a request carries. @throws a 400 answer when it carries none */
export async function formDataOf(request: Request): Promise<FormData> {
  try {
    return await request.formData();
  } catch {
    throw data("The form was incomplete. Reload the page and try again.", { status: 400 });
  }
}

/** Which of a page's forms it is, by its field "intent". @throws a 400 answer when it is none of them */
export function intentOf<Intent extends string>(formData: FormData, intents: readonly Intent[]): Intent {
  const found = intents.find((intent) => intent === formData.get("intent"));
  if (found === undefined) throw data("This form could not be read. Reload the page and try again.", { status: 400 });
  return found;
}

/** The id in a hidden field, null where the field is empty or missing. @throws a 404 answer when it is no id */
export function optionalIdOf(formData: FormData, field: string): string | null {
  const id = formData.get(field);
  if (id === null || id === "") return null;
  if (typeof id !== "string" || !isId(id)) throw notFound();
  return id;
}

/** The id of the row that a form is about, in a hidden field. @throws a 404 answer when there is none */
export function idOf(formData: FormData, field: string): string {
  const id = optionalIdOf(formData, field);
  if (id === null) throw notFound();
  return id;
}

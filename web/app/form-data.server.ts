import { data } from "react-router";
import { isId } from "./ids.ts";
import { notFound } from "./signed-in.server.ts";
import { isStorable } from "./storable.ts";

/** The form that a request carries. @throws a 400 answer when it carries none, or text that cannot be stored */
export async function formDataOf(request: Request): Promise<FormData> {
  const formData = await request.formData().catch(() => {
    throw data("The form was incomplete. Reload the page and try again.", { status: 400 });
  });
  for (const [name, value] of formData)
    if (!isStorable(typeof value === "string" ? [name, value] : [name, value.name]))
      throw data("The form has a character that cannot be saved. Go back, delete it and try again.", { status: 400 });
  return formData;
}

/** The JSON value that a request carries; undefined when it carries none, or text that cannot be stored. */
export async function jsonOf(request: Request): Promise<unknown> {
  const value: unknown = await request.json().catch(() => undefined);
  return isStorable(value) ? value : undefined;
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

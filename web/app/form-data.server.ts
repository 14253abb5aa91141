import { data } from "react-router";

/** The form that a request carries. @throws a 400 answer when it carries none */
export async function formDataOf(request: Request): Promise<FormData> {
  try {
    return await request.formData();
  } catch {
    throw data("The form was incomplete. Reload the page and try again.", { status: 400 });
  }
}

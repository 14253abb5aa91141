import { data } from "react-router";

/** The form that a request carries. @throws a 400 answer when it carries none */
export async function formDataOf(request: Request): Promise<FormData> {
  try {
    return await request.formData();
  } catch {
    throw data("This was not sent by one of the forms here.", { status: 400 });
  }
}

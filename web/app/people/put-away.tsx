import { Form, Link } from "react-router";
import { Button } from "../kit/button.tsx";

interface Props {
  readonly person: { readonly id: string; readonly name: string; readonly archived: boolean };
  /** Whether the person cannot be archived because of a class under way. */
  readonly inClass: boolean;
  /** Whether whoever looks may erase someone. */
  readonly erases: boolean;
}

/** Says that someone is archived, and brings them back. */
export function ArchivedNote({ person }: Pick<Props, "person">) {
  if (!person.archived) return null;
  return (
    <Form
      method="post"
      className="mb-6 flex flex-wrap items-center gap-4 rounded-soft border-[1.5px] border-tide-800 bg-white px-6 py-4 text-lg"
    >
      <p>{person.name} is archived: on no list and in no plan.</p>
      <Button look="plain" name="intent" value="bring-back">
        Bring back
      </Button>
    </Form>
  );
}

/** What can be done with all that is recorded of someone: export, archive, erase. */
export function PutAway({ person, inClass, erases }: Props) {
  const { id, name, archived } = person;
  return (
    <details className="mt-6" open={inClass || undefined}>
      <summary className="flex min-h-11 w-fit items-center font-semibold underline underline-offset-4">
        Export, archive or erase
      </summary>
      <div className="flex flex-col gap-3 pt-2 text-lg">
        <p>
          <a href={`/people/${id}/export`} className="underline underline-offset-4">
            Export everything of {name}
          </a>
        </p>
        {!archived && (
          <Form method="post" className="flex flex-wrap items-center gap-4">
            <Button look="plain" name="intent" value="archive">
              Archive {name}
            </Button>
            <p>Out of the way, with all that was recorded. You can bring {name} back.</p>
          </Form>
        )}
        {inClass && (
          <p role="alert" className="font-semibold text-signal-700">
            {name} is in a class that has not ended. End the class first.
          </p>
        )}
        {erases && (
          <p>
            <Link to={`/people/${id}/erase`} className="underline underline-offset-4">
              Erase {name} for good
            </Link>
          </p>
        )}
      </div>
    </details>
  );
}

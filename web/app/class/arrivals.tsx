import { Check } from "lucide-react";
import { Form, Link } from "react-router";

interface Props {
  readonly classId: string;
  readonly people: readonly { readonly id: string; readonly name: string; readonly digit: string }[];
  readonly here: ReadonlySet<string>;
  readonly tick: (personId: string, here: boolean) => void;
  readonly begin: () => void;
}

/** Who is here: one touch a person, then the class begins. */
export function Arrivals({ classId, people, here, tick, begin }: Props) {
  return (
    <div className="mx-auto flex w-full max-w-5xl flex-1 flex-col gap-6 p-8">
      <div>
        <h1 className="text-4xl">Who is here?</h1>
        <p className="mt-1 text-xl text-sand-200">
          {here.size} of {people.length}. Check chairs, rail and floor while they arrive.
        </p>
      </div>
      <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        {people.map(({ id, name, digit }) => {
          const present = here.has(id);
          return (
            <li key={id}>
              <button
                type="button"
                aria-pressed={present}
                onClick={() => tick(id, !present)}
                className={`flex min-h-16 w-full items-center gap-3 rounded-[14px] border-2 px-4 text-2xl font-bold ${present ? "border-tide-300 bg-tide-700" : "border-tide-600 bg-tide-900"}`}
              >
                <span
                  className={`flex size-8 items-center justify-center rounded-full border-2 ${present ? "border-tide-200 bg-tide-200 text-tide-950" : "border-tide-300"}`}
                >
                  {present && <Check size={22} strokeWidth={3} aria-hidden="true" />}
                </span>
                {name}
                <span aria-hidden="true" className="ml-auto text-lg font-normal text-tide-200">
                  {digit}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      <Form
        method="post"
        action={`/classes/${classId}/fit`}
        className="flex flex-wrap items-center gap-x-4 text-lg text-sand-200"
      >
        <span>Somebody sore or unwell today?</span>
        <Link to="/people" className="flex min-h-16 items-center underline underline-offset-4">
          Set a cap for them
        </Link>
        <span>and</span>
        <button
          type="submit"
          className="min-h-16 rounded-full border-2 border-tide-300 px-6 font-semibold text-sand-50 hover:bg-tide-800"
        >
          fit everybody again
        </button>
      </Form>
      <div className="mt-auto flex flex-wrap items-center gap-4">
        <button
          type="button"
          onClick={begin}
          className="min-h-16 rounded-full bg-sand-50 px-10 text-2xl font-bold text-tide-950 hover:bg-white"
        >
          Begin
        </button>
        {here.size < people.length && (
          <button
            type="button"
            onClick={() => {
              for (const { id } of people) if (!here.has(id)) tick(id, true);
            }}
            className="min-h-16 px-4 text-xl underline underline-offset-4"
          >
            Everybody is here
          </button>
        )}
        <p className="text-lg text-tide-200">space begins · digits tick a person</p>
      </div>
    </div>
  );
}

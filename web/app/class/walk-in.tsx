import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { UserPlus } from "lucide-react";
import { useState } from "react";
import { parseForm } from "../../forms/parse-form.ts";
import { PersonForm } from "../../forms/person-form.ts";
import { ClassButton, classButton } from "../kit/class-button.tsx";
import { Dialog, DialogClose, DialogFrame, DialogTitle, DialogTrigger } from "../kit/dialog.tsx";
import { Problem, TextField } from "../kit/field.tsx";

interface Props {
  readonly classId: string;
  /** Called with the new participant's id. */
  readonly taken: (personId: string) => void;
}

/** What the server says to an intake. */
interface Answer {
  readonly result: SubmissionResult<string[]>;
  readonly personId: string | null;
}

const SIGNED_OUT = "You are signed out. Your entries are kept: sign in again at the top, then open this again.";
const NO_CONNECTION = "No connection. Your entries are kept. Try again in a moment.";

/**
 * The one-minute intake of someone who walks in. They begin with newcomer caps.
 *
 * Long because it is one form, from opening it to what the server answers.
 */
export function WalkIn({ classId, taken }: Props) {
  const [open, setOpen] = useState(false);
  const [sending, setSending] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  /** The participant's id, made here, so that sending again after a lost answer adds no one else. */
  const [newId, setNewId] = useState("");
  const [lastResult, setLastResult] = useState<SubmissionResult<string[]> | null>(null);
  const [form, fields] = useForm({
    id: "walk-in",
    lastResult,
    onValidate: ({ formData }) => parseForm(formData, { schema: PersonForm }),
    onSubmit: (event, { formData }) => {
      event.preventDefault();
      void send(formData);
    },
  });

  async function send(formData: FormData) {
    setSending(true);
    setProblem(null);
    try {
      const response = await fetch(`/classes/${classId}/walk-in`, { method: "POST", body: formData });
      if (response.status === 401) return setProblem(SIGNED_OUT);
      const { result, personId }: Answer = await response.json();
      setLastResult(result);
      if (personId !== null) {
        setOpen(false);
        setNewId("");
        taken(personId);
      }
    } catch {
      setProblem(NO_CONNECTION);
    } finally {
      setSending(false);
    }
  }
  return (
    <Dialog
      open={open}
      onOpenChange={(opens) => {
        if (opens && newId === "") setNewId(crypto.randomUUID());
        setOpen(opens);
      }}
    >
      <DialogTrigger className={classButton("plain", "flex items-center gap-3")}>
        <UserPlus size={24} aria-hidden="true" /> Add someone new
      </DialogTrigger>
      <DialogFrame look="alert" width="large">
        <DialogTitle className="text-3xl">Add someone new</DialogTitle>
        <p className="mt-1 text-sand-600">
          New participants start with newcomer caps: support when standing, hands up for 20 s at a time, light effort. Record the
          rest later.
        </p>
        <form method="post" {...getFormProps(form)} className="mt-4 grid gap-4 sm:grid-cols-3">
          <input type="hidden" name="personId" value={newId} />
          <Problem id="walk-in-problem" errors={problem === null ? form.errors : [problem]} />
          <TextField field={fields.name} label="Preferred name" className="sm:col-span-3" />
          <TextField field={fields.birthYear} label="Birth year" inputMode="numeric" />
          <TextField field={fields.statureCentimetres} label="Height" hint="cm" inputMode="decimal" />
          <TextField field={fields.massKilograms} label="Weight" hint="kg" inputMode="decimal" />
          <TextField
            field={fields.notes}
            label="Does anything hurt, or has anyone told you to avoid something?"
            className="sm:col-span-3"
          />
          <div className="flex flex-wrap gap-3 sm:col-span-3">
            <ClassButton look="dark" type="submit" disabled={sending}>
              {sending ? "Adding…" : "Add to class"}
            </ClassButton>
            <DialogClose className={classButton("quiet")}>Not now</DialogClose>
          </div>
        </form>
      </DialogFrame>
    </Dialog>
  );
}

import type { SubmissionResult } from "@conform-to/react";
import { getFormProps, useForm } from "@conform-to/react";
import { useEffect } from "react";
import { useFetcher } from "react-router";
import type { SignInFormInput } from "../../forms/sign-in-form.ts";
import { ClassButton, classButton } from "../kit/class-button.tsx";
import { Dialog, DialogClose, DialogFrame, DialogTitle, DialogTrigger } from "../kit/dialog.tsx";
import { Problem } from "../kit/field.tsx";
import { SignInFields } from "../kit/sign-in-fields.tsx";

interface Props {
  readonly classId: string;
  /** Who was signed in. */
  readonly name: string;
  /** Called once the server has answered, whoever is signed in then. */
  readonly signedIn: () => void;
}

/** Signs in again without leaving the class: what waits on this device is sent, and the class goes on where it is. */
export function SignInAgain({ classId, name, signedIn }: Props) {
  const fetcher = useFetcher<SubmissionResult<string[]>>();
  const [form, fields] = useForm<SignInFormInput>({
    id: "sign-in-again",
    lastResult: fetcher.data ?? null,
  });
  const back = `/classes/${classId}`;
  const isIdle = fetcher.state === "idle";
  useEffect(() => {
    if (isIdle) signedIn();
  }, [isIdle, signedIn]);
  return (
    <Dialog>
      <DialogTrigger className={classButton("plain", "font-bold")}>Sign in again</DialogTrigger>
      <DialogFrame look="alert" width="small">
        <DialogTitle className="text-3xl">Sign in again</DialogTitle>
        <p className="mt-1 text-sand-600">
          Your session has ended. What {name} recorded is safe on this device and is sent when {name} signs in.
        </p>
        <fetcher.Form
          method="post"
          action={`/sign-in?back=${encodeURIComponent(back)}`}
          {...getFormProps(form)}
          className="mt-4 grid gap-4"
        >
          <Problem id="sign-in-again-problem" errors={form.errors} />
          <SignInFields fields={fields} />
          <div className="flex flex-wrap gap-3">
            <ClassButton look="dark" type="submit" disabled={!isIdle}>
              Sign in
            </ClassButton>
            <DialogClose className={classButton("quiet")}>Not now</DialogClose>
          </div>
        </fetcher.Form>
      </DialogFrame>
    </Dialog>
  );
}

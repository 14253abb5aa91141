import { type FieldState, TextField } from "./field.tsx";

interface Props {
  readonly fields: { readonly email: FieldState; readonly password: FieldState; readonly code: FieldState };
}

/** Email and password, and the code of a second factor once the server has asked for it. */
export function SignInFields({ fields }: Props) {
  const asksForCode = (fields.code.errors?.length ?? 0) > 0;
  return (
    <>
      <TextField field={fields.email} label="Email" type="email" autoComplete="username" />
      <TextField field={fields.password} label="Password" type="password" autoComplete="current-password" />
      {asksForCode && (
        <TextField
          field={fields.code}
          label="Code"
          hint="from your app, or a recovery code"
          inputMode="numeric"
          autoComplete="one-time-code"
        />
      )}
    </>
  );
}

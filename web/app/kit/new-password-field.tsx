import { PASSWORD_LENGTH } from "../../forms/password-form.ts";
import { type FieldState, TextField } from "./field.tsx";

/** Where someone chooses a password; password managers are told that it is a new one. */
export const NewPasswordField = ({ field, label }: { readonly field: FieldState; readonly label: string }) => (
  <TextField
    field={field}
    label={label}
    hint={`${PASSWORD_LENGTH.least} characters or more`}
    type="password"
    autoComplete="new-password"
  />
);

import type { ReactNode } from "react";
import { Options, type OptionsProps } from "./options.tsx";

/** What a form library knows of one field; conform's metadata fits it. */
export interface FieldState {
  readonly id: string;
  readonly name: string;
  readonly initialValue?: unknown;
  readonly errors?: string[] | undefined;
}

interface FieldProps {
  readonly field: FieldState;
  readonly label: string;
  /** Shown next to the label, such as the unit. */
  readonly hint?: string;
  readonly className?: string;
}

/** The sentence that says what is wrong, next to its field. */
export function Problem({ id, errors }: { id: string; errors?: string[] | undefined }) {
  if (!errors || errors.length === 0) return null;
  return (
    <p id={id} className="mt-1 font-semibold text-signal-700">
      {errors[0]}
    </p>
  );
}

function FieldFrame({ field, label, hint, className = "", children }: FieldProps & { children: ReactNode }) {
  return (
    <div className={className}>
      <label htmlFor={field.id} className="mb-1 block font-semibold">
        {label} {hint && <span className="font-normal text-sand-600">{hint}</span>}
      </label>
      {children}
      <Problem id={`${field.id}-problem`} errors={field.errors} />
    </div>
  );
}

/** Attributes that tie a control to its label and its problem, and give back what was typed. */
function controlProps(field: FieldState) {
  const wrong = (field.errors?.length ?? 0) > 0;
  return {
    id: field.id,
    name: field.name,
    defaultValue: typeof field.initialValue === "string" ? field.initialValue : "",
    "aria-invalid": wrong || undefined,
    "aria-describedby": wrong ? `${field.id}-problem` : undefined,
    className: "field-box",
  };
}

export function TextField({
  type = "text",
  inputMode,
  autoComplete = "off",
  ...frame
}: FieldProps & {
  type?: "text" | "email" | "password" | "date";
  inputMode?: "numeric" | "decimal";
  autoComplete?: string;
}) {
  return (
    <FieldFrame {...frame}>
      <input {...controlProps(frame.field)} type={type} inputMode={inputMode} autoComplete={autoComplete} />
    </FieldFrame>
  );
}

export function FileField({ accept, ...frame }: FieldProps & { accept: string }) {
  const { defaultValue: _, ...props } = controlProps(frame.field);
  return (
    <FieldFrame {...frame}>
      <input {...props} type="file" accept={accept} className="field-box py-2" />
    </FieldFrame>
  );
}

export function TextArea({ rows = 3, ...frame }: FieldProps & { rows?: number }) {
  return (
    <FieldFrame {...frame}>
      <textarea {...controlProps(frame.field)} rows={rows} />
    </FieldFrame>
  );
}

export function SelectField({
  options,
  asWritten,
  onChange,
  ...frame
}: FieldProps & OptionsProps<string> & { onChange?: (value: string) => void }) {
  return (
    <FieldFrame {...frame}>
      <select {...controlProps(frame.field)} onChange={onChange && ((event) => onChange(event.currentTarget.value))}>
        <Options options={options} asWritten={asWritten} />
      </select>
    </FieldFrame>
  );
}

/** Some of several: a row of boxes to tick, all of one name. */
export function CheckBoxes({
  name,
  options,
  checked,
}: {
  name: string;
  options: readonly (readonly [value: string, label: string])[];
  checked: (value: string) => boolean;
}) {
  return (
    <div className="flex flex-wrap gap-x-6">
      {options.map(([value, label]) => (
        <label key={value} className="flex min-h-11 items-center gap-2">
          <input type="checkbox" name={name} value={value} defaultChecked={checked(value)} className="size-5 accent-tide-700" />
          {label}
        </label>
      ))}
    </div>
  );
}

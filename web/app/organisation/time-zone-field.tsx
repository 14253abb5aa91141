import { useEffect, useRef } from "react";
import { type FieldState, SelectField } from "../kit/field.tsx";

interface Props {
  readonly field: FieldState;
  readonly names: readonly string[];
  /** Whether the field begins with the time zone of the browser. */
  readonly followsBrowser?: boolean;
}

/** Chooses a time zone; typing the letters of a region finds it. */
export function TimeZoneField({ field, names, followsBrowser = false }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const followed = useRef(!followsBrowser);
  useEffect(() => {
    if (followed.current) return;
    followed.current = true;
    const select = frame.current?.querySelector("select");
    const { timeZone } = new Intl.DateTimeFormat().resolvedOptions();
    if (select && names.includes(timeZone)) select.value = timeZone;
  }, [names]);
  return (
    <div ref={frame}>
      <SelectField
        field={field}
        label="Time zone"
        hint="of your classes"
        options={names.map((name) => [name, name.replaceAll("_", " ")] as const)}
        asWritten
      />
    </div>
  );
}

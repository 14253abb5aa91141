import { PURPOSES } from "@able-tide/core/movement/format";
import { MOVED_PARTS } from "@able-tide/core/movement/moved-parts";
import { VARIANT_KINDS } from "@able-tide/core/movement/variant";
import { purposeLabel } from "@able-tide/words/movement";
import { Form, useSubmit } from "react-router";
import { Button } from "../kit/button.tsx";
import { SelectField, TextField } from "../kit/field.tsx";
import { type Finding, SPARES } from "./finding.ts";

const any = (word: string) => ["", word] as const;

/**
 * Narrows the library: by words, purpose, part of the body, variant, and what is to be spared. It is an address, so it can be
 * kept and shared.
 */
export function FindForm({ finding }: { finding: Finding }) {
  const submit = useSubmit();
  const field = (name: keyof Finding) => ({ id: `find-${name}`, name, initialValue: finding[name] });
  return (
    <Form
      method="get"
      role="search"
      className="mb-6 grid grid-cols-2 items-end gap-4 lg:grid-cols-[1.2fr_1fr_0.8fr_0.8fr_1.4fr_auto]"
      onChange={(event) => {
        if (event.target instanceof HTMLSelectElement) submit(event.currentTarget, { preventScrollReset: true });
      }}
    >
      <TextField field={field("words")} label="Find" hint="Name, purpose or cue" className="max-lg:col-span-2" />
      <SelectField
        field={field("purpose")}
        label="Purpose"
        options={[any("any"), ...PURPOSES.map((purpose) => [purpose, purposeLabel(purpose)] as const)]}
      />
      <SelectField
        field={field("part")}
        label="Body part"
        options={[any("any"), ...MOVED_PARTS.map((part) => [part, part] as const)]}
      />
      <SelectField
        field={field("form")}
        label="Variant"
        options={[any("any"), ...VARIANT_KINDS.map((kind) => [kind, kind === "water" ? "In water" : kind] as const)]}
      />
      <SelectField
        field={field("spares")}
        label="Easier on"
        hint="In at least one variant"
        className="max-sm:col-span-2"
        options={[any("No preference"), ...SPARES.map(({ name, label }) => [name, label] as const)]}
      />
      <Button look="plain" className="max-sm:col-span-2">
        Find
      </Button>
    </Form>
  );
}

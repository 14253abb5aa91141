import type { AuditAction, AuditEntry, AuditSubject } from "../../server/audit/audit.ts";

const ACTIONS: Readonly<Record<AuditAction, string>> = {
  added: "added",
  changed: "changed",
  archived: "archived",
  broughtBack: "brought back",
  ended: "ended",
  withdrawn: "withdrew",
  erased: "erased",
  deleted: "deleted",
  read: "read",
  exported: "exported",
};

const SUBJECTS: Readonly<Record<AuditSubject, string>> = {
  person: "participant",
  clinician: "clinician of",
  group: "group",
  venue: "venue",
  movement: "movement",
  policy: "check-in thresholds",
  retention: "retention periods",
  plan: "plan",
  class: "class",
  classScript: "class script",
  membership: "team member",
  invitation: "invitation",
  organisation: "organisation",
};

/** "massKilograms" as "mass kilograms". */
const fieldWords = (field: string): string => field.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);

/** What was done, in words: "changed participant Osei: mass kilograms". */
export function auditWords({
  action,
  subject,
  subjectId,
  name,
  fields,
}: Pick<AuditEntry, "action" | "subject" | "subjectId" | "name" | "fields">): string {
  // The id of a movement is its name in small letters; the database has no name for those that came with the product.
  const called = name ?? (subject === "movement" ? subjectId.replaceAll("-", " ") : "");
  const what = [ACTIONS[action], SUBJECTS[subject], called].filter((word) => word !== "").join(" ");
  return fields.length === 0 || (action === "added" && subject !== "person")
    ? what
    : `${what}: ${fields.map(fieldWords).join(", ")}`;
}

const shown = (value: unknown): string => (typeof value === "string" ? value : JSON.stringify(value));

/** A field that was changed, as it stood before and after. */
export interface AuditedField {
  readonly field: string;
  readonly before: string | null;
  readonly after: string | null;
}

/** Each field of an entry as it stood before and after; none where the values were erased or never kept. */
export function auditedFields({ fields, before, after }: Pick<AuditEntry, "fields" | "before" | "after">): AuditedField[] {
  if (before === null && after === null) return [];
  return fields.map((field) => ({
    field: fieldWords(field),
    before: before && field in before ? shown(before[field]) : null,
    after: after && field in after ? shown(after[field]) : null,
  }));
}

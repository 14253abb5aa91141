import { expect, test } from "vitest";
import { auditedFields, auditWords } from "./audit-words.ts";

test.each([
  [
    { action: "archived", subject: "movement", subjectId: "shift-and-press", name: null, fields: [] },
    "archived movement shift and press",
  ],
  [{ action: "changed", subject: "person", name: "Osei", fields: ["massKilograms"] }, "changed participant Osei: mass kilograms"],
  [{ action: "read", subject: "person", name: "Osei", fields: [] }, "read participant Osei"],
  [{ action: "erased", subject: "person", name: null, fields: [] }, "erased participant"],
  [{ action: "added", subject: "venue", name: "Net loft", fields: ["name", "room"] }, "added venue Net loft"],
  [{ action: "added", subject: "person", name: "Osei", fields: ["caps"] }, "added participant Osei: caps"],
] as const)("%o reads: %s", (entry, words) => expect(auditWords({ subjectId: "", ...entry })).toBe(words));

test("a field is shown as it stood before and after; erased values are not", () => {
  const entry = { fields: ["name", "groupIds"], before: { name: "Old", groupIds: ["a"] }, after: { name: "New", groupIds: [] } };
  expect(auditedFields(entry)).toEqual([
    { field: "name", before: "Old", after: "New" },
    { field: "group ids", before: '["a"]', after: "[]" },
  ]);
  expect(auditedFields({ ...entry, before: null, after: null })).toEqual([]);
});

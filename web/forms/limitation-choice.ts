import { CAP_SIDES } from "@able-tide/core/caps/cap-side";
import { LIMITATION_NAMES, limitationRule } from "@able-tide/core/caps/limitations/all";
import { present } from "@able-tide/core/checked-access";
import * as v from "valibot";
import { calendarDay } from "./calendar-day.ts";

const Fields = v.object({
  rule: v.picklist(LIMITATION_NAMES, "Choose a limitation."),
  side: v.optional(v.picklist(CAP_SIDES, "Choose a side.")),
  kind: v.optional(v.string()),
  eventDay: v.optional(calendarDay("Enter a date.")),
  note: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(200, "Use 200 characters or fewer."))),
});
type Fields = v.InferOutput<typeof Fields>;
/** What the form holds before it is read. */
export type LimitationChoiceInput = v.InferInput<typeof Fields>;

const at = (key: keyof Fields, fields: Fields): [v.IssuePathItem] => [
  { type: "object", origin: "value", input: fields, key, value: fields[key] },
];

/**
 * A limitation, with the side, kind and day that its rule needs. A rule without a side has none whatever was sent.
 *
 * @param today nothing has happened in days to come
 */
export const limitationChoice = (today: string) =>
  v.pipe(
    Fields,
    v.rawCheck(({ dataset, addIssue }) => {
      if (!dataset.typed) return;
      const fields = dataset.value;
      const rule = limitationRule(fields.rule);
      if (!rule) return;
      if (rule.sided && fields.side === undefined) addIssue({ message: "Choose a side.", path: at("side", fields) });
      if (rule.kinds && !rule.kinds.some((kind) => kind === fields.kind))
        addIssue({ message: "Choose one.", path: at("kind", fields) });
      if (fields.eventDay !== undefined && fields.eventDay > today)
        addIssue({ message: "The date is in the future. Enter today's date or earlier.", path: at("eventDay", fields) });
    }),
    v.transform((fields) => {
      const rule = present(limitationRule(fields.rule), "limitation rule");
      return {
        rule,
        limitation: {
          rule: rule.name,
          side: rule.sided ? (fields.side ?? null) : null,
          kind: rule.kinds ? (fields.kind ?? null) : null,
          eventDay: rule.timed ? (fields.eventDay ?? null) : null,
          note: fields.note ?? "",
        },
      };
    }),
  );

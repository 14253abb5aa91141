import { LANDMARKS } from "@able-tide/core/body/channels";
import { CAP_CHANNEL_NAMES, CAP_SIDES, type CapChannel, CapLimit, capChannel, STRENGTHS } from "@able-tide/core/caps/cap";
import { FEATURE_NAMES } from "@able-tide/core/movement/features";
import * as v from "valibot";

const day = (message: string) => v.pipe(v.string(message), v.isoDate(message));

const Fields = v.object({
  channel: v.picklist(CAP_CHANNEL_NAMES, "Please choose what is limited."),
  side: v.optional(v.picklist(CAP_SIDES, "Please choose a side."), "both"),
  landmark: v.optional(v.picklist(LANDMARKS, "Please choose a height."), "shoulder"),
  feature: v.optional(v.picklist(FEATURE_NAMES, "Please choose what is left out."), "lookingUpWithTurn"),
  amount: v.optional(v.number("This should be a number.")),
  reason: v.pipe(
    v.string("Please say why, in a few words."),
    v.trim(),
    v.minLength(1, "Please say why, in a few words."),
    v.maxLength(120, "Please keep the reason under 120 letters."),
  ),
  source: v.pipe(
    v.string("Please say who set it."),
    v.trim(),
    v.minLength(1, "Please say who set it."),
    v.maxLength(80, "Please keep this under 80 letters."),
  ),
  strength: v.optional(v.picklist(STRENGTHS, "Please choose how firm it is."), "firm"),
  from: day("Please give the day it holds from."),
  until: v.optional(v.nullable(day("This should be a day.")), null),
});
type Fields = v.InferOutput<typeof Fields>;
/** What the form holds before it is read. */
export type CapFormInput = v.InferInput<typeof Fields>;

/** What is wrong with the amount for its channel, as a sentence. */
function amountProblem({ channel, amount }: Fields): string | null {
  const about = capChannel(channel);
  if (about.kind !== "number") return null;
  if (amount === undefined) return `Please give a number (${about.unit}).`;
  if (amount < about.lowest || amount > about.highest)
    return `This should be between ${about.lowest} and ${about.highest} ${about.unit}.`;
  return null;
}

function limitFrom(fields: Fields): CapLimit {
  const about = capChannel(fields.channel);
  const limit = { landmark: fields.landmark, number: fields.amount, feature: fields.feature, none: undefined }[about.kind];
  return v.parse(CapLimit, { channel: fields.channel, side: fields.side, limit });
}

const at = (key: keyof Fields, fields: Fields): [v.IssuePathItem] => [
  { type: "object", origin: "value", input: fields, key, value: fields[key] },
];

/** The form of a cap, turned into the cap it means. Dates in the wrong order and amounts out of bounds are refused. */
export const CapForm = v.pipe(
  Fields,
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const fields = dataset.value;
    const amount = amountProblem(fields);
    if (amount) addIssue({ message: amount, path: at("amount", fields) });
    if (fields.until !== null && fields.until < fields.from)
      addIssue({ message: "The until-date lies before the from-date.", path: at("until", fields) });
  }),
  v.transform((fields) => ({
    limit: limitFrom(fields),
    reason: fields.reason,
    source: fields.source,
    strength: fields.strength,
    from: fields.from,
    until: fields.until,
  })),
);

/** Which extra fields a channel asks for. */
export function fieldsFor(channel: CapChannel): {
  side: boolean;
  kind: "landmark" | "number" | "feature" | "none";
  unit: string;
} {
  const about = capChannel(channel);
  return { side: about.sided, kind: about.kind, unit: about.kind === "number" ? about.unit : "" };
}

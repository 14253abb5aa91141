import { LANDMARKS } from "@able-tide/core/body/channels";
import { WHOLE_OR_PART } from "@able-tide/core/caps/body-parts";
import { CapLimit, DATE_KINDS, STRENGTHS } from "@able-tide/core/caps/cap";
import { CAP_SIDES } from "@able-tide/core/caps/cap-side";
import { CAP_CHANNEL_NAMES, type CapChannel, capChannel } from "@able-tide/core/caps/channels";
import type { MeasuredRange } from "@able-tide/core/caps/measured";
import { MOTION_NAMES, mostOfMotion, motionNamed } from "@able-tide/core/caps/motions";
import { FEATURES } from "@able-tide/core/movement/features";
import { VARIANT_KINDS } from "@able-tide/core/movement/variant";
import { capChannelUnit } from "@able-tide/words/caps";
import * as v from "valibot";
import { calendarDay } from "./calendar-day.ts";
import { requiredText } from "./required-text.ts";

const Fields = v.object({
  channel: v.picklist(CAP_CHANNEL_NAMES, "Choose what is limited."),
  side: v.optional(v.picklist(CAP_SIDES, "Choose a side."), "both"),
  landmark: v.optional(v.picklist(LANDMARKS, "Choose a height."), "shoulder"),
  motion: v.optional(v.picklist(MOTION_NAMES, "Choose a joint."), "neckRotation"),
  part: v.optional(v.picklist(WHOLE_OR_PART, "Choose a part of the body."), "all"),
  form: v.optional(v.picklist(VARIANT_KINDS, "Choose a variant."), "water"),
  feature: v.optional(v.picklist(FEATURES, "Choose the movement feature to avoid."), "lookingUpWithTurn"),
  amount: v.optional(v.number("Enter a number.")),
  /** Whether a share of body weight may be worked up to in the pool, where the water carries part. */
  poolAllowed: v.optional(v.boolean(), false),
  /** Whether the number follows the last measured pain-free range. */
  follow: v.optional(v.boolean(), false),
  onlyIn: v.optional(v.array(v.picklist(VARIANT_KINDS)), []),
  reason: requiredText("Give a short reason.", 120),
  source: requiredText("Enter who set the cap.", 80),
  strength: v.optional(v.picklist(STRENGTHS, "Choose the type of cap."), "firm"),
  from: calendarDay("Enter the date it starts."),
  until: v.optional(v.nullable(calendarDay("Enter a date.")), null),
  dateKind: v.optional(v.picklist(DATE_KINDS), "review"),
});
type Fields = v.InferOutput<typeof Fields>;
/** What the form holds before it is read. */
export type CapFormInput = v.InferInput<typeof Fields>;

/** The bounds and the unit of the amount that a channel asks for; null where it asks for none. */
function amountOf(
  channel: CapChannel,
  motion: Fields["motion"],
): { readonly lowest: number; readonly highest: number; readonly unit: string } | null {
  const about = capChannel(channel);
  if (about.kind === "number") return { lowest: about.lowest, highest: about.highest, unit: capChannelUnit(about.name) };
  if (about.kind === "motion") return { lowest: 0, highest: mostOfMotion(motion), unit: "°" };
  if (about.kind === "part") return { lowest: 0, highest: 100, unit: "%" };
  return null;
}

/** The measured range that a cap can follow; null for a channel that is not measured as a range. */
export function measuredRangeFor(channel: CapChannel, motion: Fields["motion"]): MeasuredRange | null {
  if (channel === "motion") return motion;
  return channel === "dorsiflexion" || channel === "straightKneeDorsiflexion" ? channel : null;
}

/** What is wrong with the amount for its channel, as a sentence. */
function amountProblem({ channel, motion, amount }: Fields): string | null {
  const bounds = amountOf(channel, motion);
  if (bounds === null) return null;
  if (amount === undefined) return `Enter a number (${bounds.unit}).`;
  if (amount < bounds.lowest || amount > bounds.highest)
    return `Enter a number from ${bounds.lowest} to ${bounds.highest} ${bounds.unit}.`;
  return null;
}

function limitFrom(fields: Fields): CapLimit {
  const about = capChannel(fields.channel);
  const limits = {
    landmark: fields.landmark,
    number: fields.amount,
    motion: fields.amount,
    part: fields.amount,
    form: fields.form,
    feature: fields.feature,
    none: undefined,
  };
  return v.parse(CapLimit, {
    channel: fields.channel,
    side: fields.side,
    motion: fields.motion,
    part: fields.part,
    limit: limits[about.kind],
    ...(fields.channel === "legShare" && fields.poolAllowed ? { poolAllowed: true } : {}),
  });
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
      addIssue({ message: "The end date is before the start date. Change one of them.", path: at("until", fields) });
  }),
  v.transform((fields) => ({
    limit: limitFrom(fields),
    forms: fields.onlyIn.length === 0 ? null : fields.onlyIn,
    reason: fields.reason,
    source: fields.source,
    strength: fields.strength,
    from: fields.from,
    until: fields.until,
    dateKind: fields.dateKind,
    follows: fields.follow ? measuredRangeFor(fields.channel, fields.motion) : null,
  })),
);

/** Which extra fields a channel asks for. */
export function fieldsFor(
  channel: CapChannel,
  motion: Fields["motion"],
): {
  readonly side: boolean;
  readonly kind: ReturnType<typeof capChannel>["kind"];
  readonly unit: string | null;
} {
  const about = capChannel(channel);
  const side = about.kind === "motion" ? motionNamed(motion).sides !== "none" : about.sided;
  return { side, kind: about.kind, unit: amountOf(channel, motion)?.unit ?? null };
}

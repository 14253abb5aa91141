import { type Arm, LENGTH_SPREAD, type Limb, type MeasuredBody, usualLengths } from "@able-tide/core/body/build";
import * as v from "valibot";

/** What an arm can do, as it is chosen and said. */
export const ARM_STATES = [
  ["whole", "Moves and grips"],
  ["still", "Does not move actively"],
  ["carried", "Does not move actively; the other hand may carry it"],
  ["absent-upper", "Above-elbow amputation"],
  ["absent-lower", "Below-elbow amputation"],
] as const;

/** What a leg can do. */
export const LEG_STATES = [
  ["whole", "Moves and carries weight"],
  ["still", "Does not move actively"],
  ["absent-upper", "Above-knee amputation"],
  ["absent-lower", "Below-knee amputation"],
  ["prosthesis-upper", "Above-knee prosthesis"],
  ["prosthesis-lower", "Below-knee prosthesis"],
] as const;

/** How much lighter in water than usual, as a share of volume. */
export const FLOATING = [
  ["0", "as usual"],
  ["0.015", "a little more than usual"],
  ["0.03", "much more than usual"],
] as const;

const values = <Value extends string>(states: readonly (readonly [Value, string])[]): Value[] => states.map(([value]) => value);
type LegState = (typeof LEG_STATES)[number][0];
type ArmState = (typeof ARM_STATES)[number][0];

const choose = "Choose one of these.";
const length = "Enter a number of centimetres, such as 84.";
const arm = v.optional(v.picklist(values(ARM_STATES), choose), "whole");
const leg = v.optional(v.picklist(values(LEG_STATES), choose), "whole");
const centimetres = v.optional(v.pipe(v.number(length), v.minValue(10, length), v.maxValue(150, length)));

/** The fields of what differs from the usual body, flat, in centimetres. */
export const MEASURED_FIELDS = {
  legLengthLeft: centimetres,
  legLengthRight: centimetres,
  armLengthLeft: centimetres,
  armLengthRight: centimetres,
  armLeft: arm,
  armRight: arm,
  legLeft: leg,
  legRight: leg,
  floats: v.optional(v.picklist(values(FLOATING), choose), "0"),
  wheelchair: v.optional(v.boolean(), false),
};
const Fields = v.object(MEASURED_FIELDS);
export type MeasuredFields = v.InferOutput<typeof Fields>;

function limbFrom(state: LegState): Limb {
  if (state === "whole" || state === "still") return { kind: state };
  const [kind, from] = state.split("-") as ["absent" | "prosthesis", "upper" | "lower"];
  return { kind: "absent", from, prosthesis: kind === "prosthesis" };
}

const armFrom = (state: ArmState): Arm => (state === "carried" ? { kind: state } : limbFrom(state));

const stateOf = (limb: Arm): string =>
  limb.kind === "absent" ? `${limb.prosthesis ? "prosthesis" : "absent"}-${limb.from}` : limb.kind;

const metres = (typed: number | undefined): number | null => (typed === undefined ? null : typed / 100);

/** The body that the fields mean. */
export const measuredFrom = (fields: MeasuredFields): MeasuredBody => ({
  legLength: [metres(fields.legLengthLeft), metres(fields.legLengthRight)],
  armLength: [metres(fields.armLengthLeft), metres(fields.armLengthRight)],
  arms: [armFrom(fields.armLeft), armFrom(fields.armRight)],
  legs: [limbFrom(fields.legLeft), limbFrom(fields.legRight)],
  floats: Number(fields.floats),
  wheelchair: fields.wheelchair,
});

/** What the fields hold for a body that is known. */
export function fieldsOf({ legLength, armLength, arms, legs, floats, wheelchair }: MeasuredBody): Record<string, string> {
  const typed = (length: number | null) => (length === null ? "" : String(Math.round(1000 * length) / 10));
  return {
    legLengthLeft: typed(legLength[0]),
    legLengthRight: typed(legLength[1]),
    armLengthLeft: typed(armLength[0]),
    armLengthRight: typed(armLength[1]),
    armLeft: stateOf(arms[0]),
    armRight: stateOf(arms[1]),
    legLeft: stateOf(legs[0]),
    legRight: stateOf(legs[1]),
    floats: String(floats),
    wheelchair: wheelchair ? "on" : "",
  };
}

const LENGTHS = [
  ["legLengthLeft", "leg"],
  ["legLengthRight", "leg"],
  ["armLengthLeft", "arm"],
  ["armLengthRight", "arm"],
] as const;

/** Lengths that do not go with a stature in centimetres, each with a sentence. */
export function lengthProblems(
  fields: MeasuredFields,
  stature: number,
): { readonly field: (typeof LENGTHS)[number][0]; readonly message: string }[] {
  const usual = usualLengths(stature);
  return LENGTHS.flatMap(([field, limb]) => {
    const typed = fields[field];
    if (typed === undefined || Math.abs(typed / usual[limb] - 1) <= LENGTH_SPREAD) return [];
    return [
      {
        field,
        message: `For a height of ${stature} cm ${limb === "leg" ? "a leg" : "an arm"} is usually about ${Math.round(usual[limb])} cm. Check the measurement.`,
      },
    ];
  });
}

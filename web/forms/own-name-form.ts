import * as v from "valibot";

/** The organisation's own name of a movement; none is the movement's first name. */
export const OwnNameForm = v.object({
  ownName: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(60, "Use 60 characters or fewer.")), ""),
});
export type OwnNameFormInput = v.InferInput<typeof OwnNameForm>;

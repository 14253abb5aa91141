import * as v from "valibot";
import { HOW_IS_IT_NOW } from "./end-cap-form.ts";
import { requiredText } from "./required-text.ts";

/** What is said of a limitation that has ended. */
export const EndLimitationForm = v.object({ because: requiredText(HOW_IS_IT_NOW, 200) });
export type EndLimitationFormInput = v.InferInput<typeof EndLimitationForm>;

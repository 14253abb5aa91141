import * as v from "valibot";
import { requiredText } from "./required-text.ts";

/** The word why something that was recorded counts no more. */
export const WithdrawForm = v.object({ because: requiredText("Enter what was wrong with it.", 200) });

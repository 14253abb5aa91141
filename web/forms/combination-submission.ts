import { CombinationSchema } from "@able-tide/core/plan/combination-schema";
import * as v from "valibot";

/** What the board sends to save a combination in the library. */
export const CombinationSubmission = v.object({ combination: CombinationSchema });

import type { SeatName } from "../body/seats.ts";
import type { OwnAid } from "../body/supports.ts";
import type { CapSide } from "./cap-side.ts";
import type { Finding } from "./findings.ts";
import type { Source } from "./source.ts";

/** Which caps a participant has from the beginning: as a new one, afterwards, or as everyone has them. */
export type StandardCaps = "newcomer" | "released" | "everyone";

/** Why a cap is there: as someone wrote it, or as the computation says it; `words` makes a sentence of either. */
export type CapReason =
  | string
  | {
      readonly because: "limitation";
      /** Name of the rule. */
      readonly rule: string;
      readonly side: CapSide | null;
      readonly kind: string | null;
      /** Whether the cap only stands until a clinician has set the limitation's own. */
      readonly waiting: boolean;
    }
  | { readonly because: "aid"; readonly aid: OwnAid }
  | { readonly because: "seat"; readonly seat: SeatName }
  | { readonly because: "lifted" }
  | { readonly because: "risesWithHand" }
  /** Someone saw that they needed a hand to stand up; the last such day. */
  | { readonly because: "handSeen"; readonly day: string }
  | { readonly because: "standard"; readonly caps: StandardCaps }
  | { readonly because: "checkIn"; readonly findings: readonly Finding[] };

/** Who says so: a name or a publication as someone wrote it, or one of the rules' own sources. */
export type CapSource = string | { readonly standard: Source };

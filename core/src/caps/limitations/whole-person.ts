import { CAUTIOUS_CAP_LIMITS } from "../cautious-caps.ts";
import { firm, type LimitationRule, USUAL_PRACTICE } from "./rule.ts";

const area = "wholePerson";

export const WHOLE_PERSON: readonly LimitationRule[] = [
  {
    name: "fatigueAfterExertion",
    area,
    sided: false,
    timed: false,
    proposals: [firm({ channel: "roundsShare", part: "all", limit: 50 })],
    cautions: ["longRests", "askAgainForThreeDays", "participantDecidesIncrease"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "wheelchair",
    area,
    sided: false,
    timed: false,
    kinds: ["other", "cordBelow", "cordHigh"],
    proposals: [firm({ channel: "noStanding" })],
    cautions: ["brakesChecked", "trunkSupport", { name: "poundingHeadache", kinds: ["cordHigh"] }],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "frailty",
    area,
    sided: false,
    timed: false,
    kinds: ["frail", "obesity"],
    proposals: [
      firm({ channel: "chairWithArms" }),
      firm({ channel: "higherSeat", limit: 5 }),
      firm({ channel: "heldStanding" }, { kinds: ["frail"] }),
      firm({ channel: "handToRise" }, { kinds: ["frail"] }),
      ...CAUTIOUS_CAP_LIMITS.map((limit) => firm(limit, { kinds: ["frail"] })),
    ],
    cautions: ["chairRatedForWeight"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
];

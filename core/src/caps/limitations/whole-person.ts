import { FIRST_AMOUNTS } from "../usual-amounts.ts";
import { firm, type LimitationRule, USUAL_PRACTICE } from "./rule.ts";

const area = "the whole person";

export const WHOLE_PERSON: readonly LimitationRule[] = [
  {
    name: "fatigueAfterExertion",
    label: "Fatigue that follows exertion",
    area,
    sided: false,
    timed: false,
    proposals: [firm({ channel: "roundsShare", part: "all", limit: 50 })],
    cautions: ["Long rests", "Ask again after 24, 48 and 72 hours", "The participant decides any increase"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "wheelchair",
    label: "Wheelchair, spinal cord injury or amputation",
    area,
    sided: false,
    timed: false,
    kinds: [
      { name: "other", label: "wheelchair or amputation" },
      { name: "cordBelow", label: "cord injury below the sixth thoracic level" },
      { name: "cordHigh", label: "cord injury at the sixth thoracic level or above" },
    ],
    proposals: [firm({ channel: "noStanding" })],
    cautions: [
      "Brakes and footplates are checked",
      "Trunk support",
      { words: "Pounding headache with flushing: sit up, loosen what is tight, call for help", kinds: ["cordHigh"] },
    ],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "frailty",
    label: "Frailty or obesity",
    area,
    sided: false,
    timed: false,
    kinds: [
      { name: "frail", label: "frailty" },
      { name: "obesity", label: "obesity" },
    ],
    proposals: [
      firm({ channel: "chairWithArms" }),
      firm({ channel: "higherSeat", limit: 5 }),
      firm({ channel: "heldStanding" }, { kinds: ["frail"] }),
      ...FIRST_AMOUNTS.map((limit) => firm(limit, { kinds: ["frail"] })),
    ],
    cautions: ["The chair is rated for the weight"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
];

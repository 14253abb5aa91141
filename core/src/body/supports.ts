import { entryNamed } from "../named.ts";
import type { Side } from "../side.ts";

/**
 * What a standing person may hold on to. `relief` is what it takes off the balance demand with one hand and with both;
 * our own scale, see docs/model.md. `carries` is whether a hand on it may take some of the weight: a chair back can
 * tip, and no one may lean on a helper or on fingertips. `fixed` is whether it stays where it is when a body falls
 * against it. `grips` is whether the hand has to close around it.
 *
 * Places are shares of stature: how high the hand is, how far ahead of the middle of the feet and how far aside.
 */
export const SUPPORTS = [
  {
    name: "rail",
    hands: "either",
    relief: [2.5, 4],
    carries: true,
    fixed: true,
    grips: true,
    height: 0.53,
    ahead: 0.1,
    aside: 0.25,
  },
  {
    name: "chairBack",
    hands: "either",
    relief: [2, 3],
    carries: false,
    fixed: false,
    grips: true,
    height: 0.52,
    ahead: 0.2,
    aside: 0.12,
  },
  {
    name: "frame",
    hands: "both",
    relief: [3, 3],
    carries: true,
    fixed: true,
    grips: true,
    height: 0.49,
    ahead: 0.12,
    aside: 0.17,
  },
  {
    name: "stick",
    hands: "one",
    relief: [1, 1],
    carries: true,
    fixed: false,
    grips: true,
    height: 0.49,
    ahead: 0.06,
    aside: 0.2,
  },
  {
    name: "helper",
    hands: "one",
    relief: [1.5, 1.5],
    carries: false,
    fixed: false,
    grips: true,
    height: 0.55,
    ahead: 0.12,
    aside: 0.24,
  },
  {
    name: "fingertips",
    hands: "either",
    relief: [1, 1],
    carries: false,
    fixed: false,
    grips: false,
    height: 0.53,
    ahead: 0.1,
    aside: 0.25,
  },
  {
    // Only on the way up from a chair and down to it. What they spare is in the demand of rising itself.
    name: "armrests",
    hands: "both",
    relief: [0, 0],
    carries: true,
    fixed: true,
    grips: true,
    height: 0.42,
    ahead: 0.12,
    aside: 0.16,
  },
] as const satisfies readonly {
  name: string;
  hands: "one" | "both" | "either";
  relief: readonly [oneHand: number, bothHands: number];
  carries: boolean;
  fixed: boolean;
  grips: boolean;
  height: number;
  ahead: number;
  aside: number;
}[];

export type SupportName = (typeof SUPPORTS)[number]["name"];

export const SUPPORT_NAMES: readonly SupportName[] = SUPPORTS.map(({ name }) => name);

/** What is held, and with which hand. */
export interface HandSupport {
  readonly by: SupportName;
  readonly hand: Side | "both";
}

export const supportNamed = (name: SupportName): (typeof SUPPORTS)[number] => entryNamed(SUPPORTS, name);

/** One hand on the rail: what a place for standing always has. */
export const onRail = (hand: Side): HandSupport => ({ by: "rail", hand });

/** Both hands on the arms of the chair, to rise and to sit down. */
export const ON_ARMRESTS: HandSupport = { by: "armrests", hand: "both" };

/** Every way to hold on that makes sense on the feet: a frame with both hands, a stick or a helper with one. */
export const HAND_SUPPORTS: readonly HandSupport[] = SUPPORTS.filter(({ name }) => name !== "armrests").flatMap(
  ({ name, hands }) => {
    const one: HandSupport[] =
      hands === "both"
        ? []
        : [
            { by: name, hand: "right" },
            { by: name, hand: "left" },
          ];
    return hands === "one" ? one : [...one, { by: name, hand: "both" }];
  },
);

/** What holding on takes off the balance demand of a standing person. */
export const reliefOf = ({ by, hand }: HandSupport): number => supportNamed(by).relief[hand === "both" ? 1 : 0];

/** Whether a hand holds on. */
export const isHandSupported = (hold: HandSupport | null, side: Side): boolean =>
  hold !== null && (hold.hand === side || hold.hand === "both");

/** What a person brings to hold on to. */

export const OWN_AIDS = ["frame", "stick"] as const;
export type OwnAid = (typeof OWN_AIDS)[number];

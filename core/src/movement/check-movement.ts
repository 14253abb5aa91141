import { sidedSlot, slot } from "../body/pose.ts";
import type { PoseProblem } from "../body/solver-space.ts";
import { type HandSupport, ON_ARMRESTS, onRail } from "../body/supports.ts";
import { numberAt } from "../checked-access.ts";
import type { FileProblemCode } from "../files/json.ts";
import { SIDES, sideIndex } from "../side.ts";
import { type AnatomyProblem, anatomyProblems } from "./anatomy.ts";
import { keyAnchors, LEAD, TRAIL } from "./authored-keys.ts";
import { type Movement, rises } from "./format.ts";
import { greatestJump, NO_JUMP } from "./jump.ts";
import type { MovementFileProblem } from "./read-file.ts";
import { sampleTrack } from "./samples.ts";
import { stateProblems } from "./start-and-end.ts";
import { type Track, trackOf } from "./track.ts";
import { travelBetween, travels } from "./travel.ts";
import { TURNS_UNDER } from "./turned-feet.ts";
import { FULL_STANDING_VARIANT, VARIANT_KINDS, type VariantKind, type VariantSpec } from "./variant.ts";

/** A pose that a body cannot do, and when in the repetition, 0 to 1. */
export interface BodyCannot {
  readonly phase: number;
  readonly what: PoseProblem;
}

/** What is held where a variant is checked: the rail where it can be held, else something that goes along. */
const HELD: readonly HandSupport[] = [onRail("right"), { by: "rail", hand: "both" }, { by: "stick", hand: "right" }];

/** The track by which a kind of variant is checked; null where the movement has none. */
function trackToCheck(movement: Movement, kind: VariantKind): Track | null {
  const choice: VariantSpec = { ...FULL_STANDING_VARIANT, kind };
  if (kind !== "supported") return trackOf(movement, choice, "right");
  for (const hold of rises(movement) ? [ON_ARMRESTS] : HELD) {
    const track = trackOf(movement, { ...choice, hold }, "right");
    if (track) return track;
  }
  return null;
}

/**
 * Why a variant cannot end elsewhere than it began: on a chair the body stays, a walk goes one way, and the other side leads the
 * way back.
 */
function walkProblem(movement: Movement, { segments }: Track, kind: VariantKind): FileProblemCode | null {
  const [first, last] = [segments[0]?.start, segments.at(-1)?.end];
  const travel = first && last ? travelBetween(first, last) : null;
  if (travel === null || !travels(travel)) return null;
  if (kind === "seated") return "travelsOnChair";
  if (travel.ahead !== 0 && travel.aside !== 0) return "travelsTwoWays";
  return movement.sided ? null : "travelNeedsSides";
}

/** Variants that a body cannot do, each with when in the repetition. */
function formProblems(movement: Movement): MovementFileProblem[] {
  return VARIANT_KINDS.flatMap((kind): MovementFileProblem[] => {
    const track = trackToCheck(movement, kind);
    if (!track) return [];
    const path = `forms.${kind}`;
    const walk = walkProblem(movement, track, kind);
    if (walk) return [{ path, code: walk }];
    const samples = sampleTrack(track);
    if (samples.problem) return [{ path, code: "bodyCannot", requirement: samples.problem satisfies BodyCannot }];
    const jump = greatestJump(samples);
    if (jump.by >= NO_JUMP) return [{ path, code: "footLeavesUnderLoad", requirement: jump.phase }];
    const turns = turnUnderLoad(track);
    if (turns !== null) return [{ path, code: "footTurnsUnderLoad", requirement: turns }];
    const [beyond] = anatomyProblems(samples);
    return beyond ? [{ path, code: "beyondAnatomy", requirement: beyond satisfies AnatomyProblem }] : [];
  });
}

/** When a foot begins to turn under more weight than it may, 0 to 1; null where none does. On a chair the seat carries. */
function turnUnderLoad({ segments }: Track): number | null {
  const found = segments.find(
    ({ start, end, frame }) =>
      frame.seating.kind === "standing" &&
      SIDES.some((side) => {
        const onFoot = (values: Float64Array) => {
          const left = numberAt(values, slot("weightLeft"));
          return side === "left" ? left : 1 - left;
        };
        const turn = sidedSlot("toeOut", side);
        return start[turn] !== end[turn] && Math.max(onFoot(start), onFoot(end)) > TURNS_UNDER + 1e-9;
      }),
  );
  return found?.from ?? null;
}

/** Differences of a pose below this are none: degrees, shares of stature and of weight. */
const SAME_POSE = 1e-6;

/** A movement that turns round ends each repetition as it began it, and takes no step: backwards, a step would be another. */
function reversalProblems(movement: Movement): MovementFileProblem[] {
  if (movement.reversal === undefined) return [];
  const choice: VariantSpec = { ...FULL_STANDING_VARIANT, kind: "standing" };
  const seated: VariantSpec = { ...choice, kind: "seated" };
  const track = trackOf(movement, choice, "right") ?? trackOf(movement, seated, "right");
  const [start, end] = [track?.segments[0]?.start, track?.segments.at(-1)?.end];
  const returns = start?.every((value, slot) => Math.abs(value - (end?.[slot] ?? Number.NaN)) < SAME_POSE) ?? true;
  const steps = movement.keys.some((key) =>
    [key.feet, key.leadFoot, key.trailFoot].some(
      (foot) => foot?.ahead !== undefined || foot?.outward !== undefined || foot?.turn !== undefined,
    ),
  );
  if (steps || rises(movement)) return [{ path: "reversal", code: "reversalSteps" }];
  if (!returns) return [{ path: "reversal", code: "reversalEndsElsewhere" }];
  return movement.reversal === "sides" && !movement.sided ? [{ path: "reversal", code: "reversalNeedsSides" }] : [];
}

/** What can be held is a key pose on the way, in every variant, and on the same support all the way. */
function holdProblems(movement: Movement): MovementFileProblem[] {
  const { holdAt, keys, forms } = movement;
  const isBetween = (at: number | undefined, list: Movement["keys"]) => at === undefined || at < list.length - 1;
  const fits = isBetween(holdAt, keys) && !(holdAt !== undefined && rises(movement));
  const ofForms = VARIANT_KINDS.flatMap((kind): MovementFileProblem[] => {
    const form = forms[kind];
    if (!form || isBetween(form.holdAt ?? holdAt, form.keys ?? keys)) return [];
    return [{ path: `forms.${kind}.holdAt`, code: "holdNotBetween" }];
  });
  return fits ? ofForms : [{ path: "holdAt", code: "holdNotBetween" }];
}

/** The palm of a hand that does not rest lies on nothing. */
function palmProblems({ keys }: Movement): MovementFileProblem[] {
  const anchors = keyAnchors({ keys });
  const ARMS = [
    ["arms", SIDES],
    ["leadArm", [LEAD]],
    ["trailArm", [TRAIL]],
  ] as const;
  return keys.flatMap((key, i) =>
    ARMS.flatMap(([arm, sides]): MovementFileProblem[] => {
      const rests = sides.some((side) => anchors[i]?.[sideIndex(side)]);
      return key[arm]?.palm === undefined || rests ? [] : [{ path: `keys[${i}].${arm}.palm`, code: "palmNeedsRest" }];
    }),
  );
}

/**
 * What is wrong with a movement that reads well: variants that no body can do, a direction that cannot be turned round, a hold
 * that is none, entry and exit that contradict the key poses.
 */
export function movementProblems(movement: Movement): MovementFileProblem[] {
  const forms = [...formProblems(movement), ...reversalProblems(movement), ...holdProblems(movement), ...palmProblems(movement)];
  return forms.length > 0 ? forms : stateProblems(movement);
}

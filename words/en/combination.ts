import type { ScriptPart } from "@able-tide/core/class/script";
import type { Combination, CombinationPass, PartOrder } from "@able-tide/core/plan/combination";
import { count } from "./text.ts";

const ORDER_LABELS: Readonly<Record<PartOrder, string>> = {
  sides: "One side, then the other",
  parts: "Part by part, both sides",
  inTurn: "One of each in turn",
};
/** How the parts of a joined pass follow one another. */
export const partOrderLabel = (order: PartOrder): string => ORDER_LABELS[order];

const SIDE_WORDS = { first: ", first side only", other: ", other side only" } as const;

/** What a pass is called: "in parts", "joined, few words, other side only". */
export const passLabel = ({ how, quiet, side }: CombinationPass): string =>
  `${how === "parts" ? "in parts" : "joined"}${quiet ? ", few words" : ""}${side ? SIDE_WORDS[side] : ""}`;

/** A pass with what it has of its own: "joined, 3 times, 6 s a breath". */
export const formatPass = (pass: CombinationPass): string =>
  [
    passLabel(pass),
    ...(pass.rounds === undefined ? [] : [count(pass.rounds, "repetition", "repetitions")]),
    ...(pass.breathSeconds === undefined ? [] : [`${pass.breathSeconds} s a breath`]),
  ].join(", ");

/** Which pass of a combination something is: "Harbour wall, pass 2 of 3: joined". */
export const formatScriptPart = ({ combination, pass, number, of }: Omit<ScriptPart, "begins" | "runsOn">): string =>
  `${combination}, pass ${number} of ${of}: ${passLabel(pass)}`;

/** A combination in a line: its name, how many parts, and its passes. */
export const formatCombination = ({ name, parts, order, passes }: Combination): string =>
  `${name} (${count(parts.length, "part", "parts")}; ${ORDER_LABELS[order].toLowerCase()}; ${passes.map(formatPass).join("; ")})`;

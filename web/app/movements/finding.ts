import { LANDMARKS, type Landmark } from "@able-tide/core/body/channels";
import { type Movement, PURPOSES } from "@able-tide/core/movement/format";
import { MOVED_PARTS, type MovedPart } from "@able-tide/core/movement/moved-parts";
import { VARIANT_KINDS, type VariantKind } from "@able-tide/core/movement/variant";
import * as v from "valibot";

const EASY = { steadiness: 3.5, loadedKnee: 30, neck: 15, spine: 15 } as const;

/** Ways to ask for movements that spare something. */
export const SPARES = [
  { name: "steadiness", label: `Balance: demand ${EASY.steadiness} or less` },
  { name: "shoulder", label: "Shoulder: hands stay below shoulder height" },
  { name: "knee", label: `Knee: ${EASY.loadedKnee}° or less under load` },
  { name: "neck", label: `Neck: bends and turns ${EASY.neck}° or less` },
  { name: "spine", label: `Back: bends and turns ${EASY.spine}° or less` },
] as const;

/** What someone looks for; an empty field looks for nothing. */
export const Finding = v.object({
  words: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(80)), ""),
  purpose: v.optional(v.picklist(["", ...PURPOSES]), ""),
  part: v.optional(v.picklist(["", ...MOVED_PARTS]), ""),
  form: v.optional(v.picklist(["", ...VARIANT_KINDS]), ""),
  spares: v.optional(v.picklist(["", ...SPARES.map(({ name }) => name)]), ""),
});
export type Finding = v.InferOutput<typeof Finding>;

/** What is looked for, from an address; what cannot be read looks for nothing. */
export function readFinding(search: URLSearchParams): Finding {
  const read = v.safeParse(Finding, Object.fromEntries(search));
  return read.success ? read.output : v.parse(Finding, {});
}

interface DemandFigures {
  readonly balance: number;
  readonly handsOver: Landmark | null;
  readonly loadedKnee: number;
  readonly neck: number;
  readonly spine: number;
}
/**
 * Demand of the fullest variant, and the lowest of any variant of half the size or more, once that is calculated.
 */
interface ListedDemand extends DemandFigures {
  readonly lowest: DemandFigures | null;
  readonly parts: readonly MovedPart[];
}

function isSpared(spares: Finding["spares"], demand: ListedDemand | null): boolean {
  if (spares === "") return true;
  if (demand === null) return false;
  const { balance, loadedKnee, handsOver, neck, spine } = demand.lowest ?? demand;
  switch (spares) {
    case "steadiness":
      return balance <= EASY.steadiness;
    case "knee":
      return loadedKnee <= EASY.loadedKnee;
    case "neck":
      return neck <= EASY.neck;
    case "spine":
      return spine <= EASY.spine;
    case "shoulder":
      return handsOver === null || LANDMARKS.indexOf(handsOver) < LANDMARKS.indexOf("shoulder");
  }
}

/** Whether a movement is one of those looked for. */
export function isFound(finding: Finding, movement: Movement, demand: ListedDemand | null): boolean {
  const text =
    `${movement.name.en} ${movement.name.own ?? ""} ${movement.purpose.join(" ")} ${movement.phase} ${movement.cues.do ?? ""}`.toLowerCase();
  const words = finding.words.toLowerCase().split(/\s+/);
  const has = (kind: VariantKind) => (movement.forms[kind] ?? false) !== false;
  return (
    words.every((word) => text.includes(word)) &&
    (finding.purpose === "" || movement.purpose.some((purpose) => purpose === finding.purpose)) &&
    (finding.part === "" || demand?.parts.some((part) => part === finding.part) === true) &&
    (finding.form === "" || has(finding.form as VariantKind)) &&
    isSpared(finding.spares, demand)
  );
}

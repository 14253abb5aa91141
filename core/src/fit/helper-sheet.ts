import { dequal } from "dequal";
import { risingDemand } from "../body/balance-demand.ts";
import type { HandSupport } from "../body/supports.ts";
import type { Cap } from "../caps/cap.ts";
import { isStanding } from "../caps/cap-violations.ts";
import { strictestNumber } from "../caps/effective.ts";
import { supportModeOf } from "../movement/support-mode.ts";
import type { VariantKind } from "../movement/variant.ts";
import type { Side } from "../side.ts";
import type { CellView } from "./cell-view.ts";

/** What someone needs of a helper in one block, most urgent first. */
export const HELP_KINDS = ["hand", "near", "hold"] as const;
export type HelpKind = (typeof HELP_KINDS)[number];

/** What to do or to know, as a code; numbers are balance demands, 0 to 10. */
export type HelpNote =
  | { readonly note: "bothHandsFixed" }
  | { readonly note: "nearCap"; readonly while: "rising" | "sitting" | "moving"; readonly demand: number; readonly cap: number }
  | { readonly note: "support"; readonly hold: HandSupport }
  | { readonly note: "carries"; readonly arm: Side };

/** What one participant needs of a helper in one plan item. */
export interface HelpNeeded {
  readonly kind: HelpKind;
  readonly personId: string;
  readonly name: string;
  readonly note: HelpNote;
}

/** One block of the sheet; times are seconds into the session. */
export interface HelpBlock {
  readonly blockId: string;
  readonly from: number;
  readonly needed: readonly HelpNeeded[];
}

interface HelpedPerson {
  readonly id: string;
  readonly name: string;
  readonly cells: readonly CellView[];
  readonly caps: readonly Cap[];
}

/** Within this of what they may be asked, someone is kept within arm's reach. */
const NEAR_THE_CAP = 0.5;

const onFeet = (form: CellView["form"] | VariantKind): boolean => form !== "rest" && isStanding(form);

/** What one person needs in one block. @param before their cell of the block before; null at the start */
function neededIn({ id, name, caps }: HelpedPerson, cell: CellView, before: CellView | null): HelpNeeded[] {
  const needed: HelpNeeded[] = [];
  const need = (kind: HelpKind, note: HelpNote) => needed.push({ kind, personId: id, name, note });
  const stands = onFeet(cell.form);
  const cap = strictestNumber(caps, "steadiness");
  const asked = risingDemand(caps.some(({ limit }) => limit.channel === "chairWithArms"));
  if (before !== null && stands !== onFeet(before.form) && cap !== null && asked > cap - NEAR_THE_CAP)
    need("near", { note: "nearCap", while: stands ? "rising" : "sitting", demand: asked, cap });
  if (stands && caps.some(({ limit }) => limit.channel === "bothHandsStanding")) need("near", { note: "bothHandsFixed" });
  if (cell.choice?.hold) {
    const byHelper = supportModeOf(cell.choice) === "helper";
    need(byHelper ? "hand" : "hold", { note: "support", hold: cell.choice.hold });
  }
  if (cell.choice?.carried) need("hold", { note: "carries", arm: cell.choice.carried });
  if (stands && cell.hold === null && cap !== null && cell.steadiness > cap - NEAR_THE_CAP)
    need("near", { note: "nearCap", while: "moving", demand: cell.steadiness, cap });
  return needed;
}

const inOrder = (a: HelpNeeded, b: HelpNeeded): number =>
  HELP_KINDS.indexOf(a.kind) - HELP_KINDS.indexOf(b.kind) || (a.name < b.name ? -1 : 1);

/**
 * What is needed in parts that are done without stopping: each kind of help for each person once.
 *
 * @param parts what is needed in each
 */
export function neededInAny(parts: readonly (readonly HelpNeeded[])[]): readonly HelpNeeded[] {
  const first = new Map<string, HelpNeeded>();
  for (const needed of parts.flat()) {
    const key = `${needed.kind} ${needed.personId}`;
    if (!first.has(key)) first.set(key, needed);
  }
  return [...first.values()].sort(inOrder);
}

/**
 * What is needed with everything left out that was told before: what someone holds on to is told where it changes.
 *
 * @param parts what is needed in each part, in order
 */
export function newlyNeeded(parts: readonly (readonly HelpNeeded[])[]): readonly (readonly HelpNeeded[])[] {
  const told = new Map<string, HelpNote>();
  return parts.map((needed) =>
    needed.filter(({ kind, personId, note }) => {
      if (kind !== "hold") return true;
      const key = `${note.note} ${personId}`;
      if (dequal(told.get(key), note)) return false;
      told.set(key, note);
      return true;
    }),
  );
}

/**
 * Who needs what and when: every block in order of time with what its people need, read from the fit as the grid shows it.
 * Who sits down and stands up is in the session sheet.
 */
export const helperSheet = (
  blocks: readonly { readonly id: string; readonly from: number }[],
  people: readonly HelpedPerson[],
): HelpBlock[] =>
  blocks.map(({ id, from }, i) => ({
    blockId: id,
    from,
    needed: people
      .flatMap((person) => {
        const cell = person.cells[i];
        return cell ? neededIn(person, cell, person.cells[i - 1] ?? null) : [];
      })
      .sort(inOrder),
  }));

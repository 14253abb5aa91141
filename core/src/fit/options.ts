import { CAP_TOLERANCE } from "../caps/cap.ts";
import { isStanding } from "../caps/cap-violations.ts";
import { type SupportMode, supportModeOf } from "../movement/support-mode.ts";
import type { Turn } from "../schedule/count.ts";
import { type Pair, pairOf, SIDES, sideIndex } from "../side.ts";
import { type FoundVariant, handsUpShare, UNLIMITED_SESSION_USE } from "./cell-input.ts";
import { supportModeCost } from "./support-options.ts";
import type { VariantSearch } from "./variant-search.ts";
import type { VersionCode } from "./version.ts";

/** Equipment and help that one mode of doing a block takes. */
export interface ResourceUse {
  readonly rail: number;
  readonly helpers: number;
  readonly chairs: number;
}
export const RESOURCES = ["rail", "helpers", "chairs"] as const satisfies readonly (keyof ResourceUse)[];

/** One mode of doing a block that a person's caps leave. */
export interface CellOption {
  /** Rest, breathing along and doing it in the mind are modes of their own. */
  readonly mode: SupportMode | "breathing" | "rest" | "mind";
  /** Null at rest. */
  readonly variant: FoundVariant | null;
  /** The version that the variant is; null at rest, breathing along and in the mind. */
  readonly version: VersionCode | null;
  /** How much of the planned movement is kept, 0 to 1, less what the mode costs. */
  readonly worth: number;
  readonly onFeet: boolean;
  /** Seconds on one leg, and with a hand above its shoulder, over the block; left and right. */
  readonly oneLeg: Pair;
  readonly handsUp: Pair;
  /** Seconds of timed holds over the block. */
  readonly held: number;
  readonly takes: ResourceUse;
}

/** Which sums over a session can run short: only then are there modes that spend less of them. */
export interface Counted {
  readonly oneLeg: boolean;
  readonly handsUp: boolean;
  readonly held: boolean;
}

const NOTHING: Pair = [0, 0];
const NO_PLACE: ResourceUse = { rail: 0, helpers: 0, chairs: 0 };
const takesOf = (mode: SupportMode): ResourceUse => ({
  rail: mode === "rail" || mode === "wall" ? 1 : 0,
  helpers: mode === "helper" ? 1 : 0,
  chairs: mode === "seated" || mode === "chairBack" ? 1 : 0,
});
export const REST_OPTION: CellOption = {
  mode: "rest",
  variant: null,
  version: null,
  worth: 0,
  onFeet: false,
  oneLeg: NOTHING,
  handsUp: NOTHING,
  held: 0,
  takes: NO_PLACE,
};

/**
 * The movement pictured, at ease on the feet or on a chair: it asks as little as rest, and only the instructor chooses it.
 *
 * @param all what caps leave of the item: whoever cannot stand in it sits
 */
export const mindOptions = (all: readonly CellOption[]): readonly CellOption[] => [
  ...(all.some(({ onFeet }) => onFeet) ? [{ ...REST_OPTION, mode: "mind" as const, onFeet: true }] : []),
  { ...REST_OPTION, mode: "mind" },
];

/** Whether nothing is asked in a way. */
export const asksNothing = ({ mode }: Pick<CellOption, "mode">): boolean => mode === "rest" || mode === "mind";

/** Time with a hand above the shoulder is counted in these parts of a block's repetitions, rounded up. */
const HANDS_UP_PARTS = 8;
/** Shares of the repetitions that there are modes for where a sum is counted; the others are spent at rest. */
const ROUNDS = [1, 0.75, 0.5, 0.25] as const;

/** The part of a block's repetitions that a variant has a hand above the shoulder, rounded up. */
function handsUpOf({ demands }: FoundVariant, turns: readonly Turn[]): number {
  const share = handsUpShare(
    demands.map(({ handAboveShoulderSeconds: [left, right], cycleSeconds }) => [left / cycleSeconds, right / cycleSeconds]),
    turns,
  );
  return Math.min(1, Math.ceil(HANDS_UP_PARTS * share - CAP_TOLERANCE.share) / HANDS_UP_PARTS);
}

/** A variant with the part of the block's repetitions that its hands are counted as up. */
interface Spent {
  readonly variant: FoundVariant;
  readonly handsUp: number;
}

/** The best variants of some modes for what they may spend: from any spending down to none. */
function* bestBySpending(
  search: VariantSearch,
  modes: readonly SupportMode[],
  turns: readonly Turn[],
  counted: Counted,
): Generator<Spent> {
  const held = Number.POSITIVE_INFINITY;
  for (const oneLeg of counted.oneLeg ? [true, false] : [true])
    for (let handsUp = 1; handsUp >= 0; handsUp -= 1 / HANDS_UP_PARTS) {
      const variant = search.best(modes, { oneLeg, handsUp, held });
      if (variant === null) break;
      // Down to what it spends it is the best there is.
      handsUp = counted.handsUp ? Math.min(handsUp, handsUpOf(variant, turns)) : 0;
      yield { variant, handsUp };
    }
  // Shorter holds, where their seconds run short.
  if (counted.held)
    for (const seconds of search.holds.slice(1)) {
      const variant = search.best(modes, { oneLeg: true, handsUp: 1, held: seconds });
      if (variant !== null) yield { variant, handsUp: counted.handsUp ? handsUpOf(variant, turns) : 0 };
    }
}

/**
 * The best variants of modes that take equipment or help: of use where they keep more than modes that take nothing. Fewer
 * repetitions of them spend less of a sum; they are not looked for again with less time of the hands up.
 *
 * @param free modes that take nothing
 */
function* bestOfTaking(
  search: VariantSearch,
  modes: readonly SupportMode[],
  free: readonly SupportMode[],
  turns: readonly Turn[],
  counted: Counted,
): Generator<Spent> {
  for (const oneLeg of counted.oneLeg ? [true, false] : [true]) {
    const spending = { oneLeg, handsUp: 1, held: Number.POSITIVE_INFINITY };
    const variant = search.best(modes, spending, search.best(free, spending)?.fidelity ?? 0);
    if (variant !== null) yield { variant, handsUp: counted.handsUp ? handsUpOf(variant, turns) : 0 };
  }
}

/** A version that keeps so much less than the best of its support modes is of no use to anyone. */
const MUCH_LESS = 0.3;

/**
 * What a number of repetitions of a variant spends; hands are counted at no less than the part of the repetitions they
 * may be up.
 */
function spentBy(variant: FoundVariant, handsUpPart: number, turns: readonly Turn[], rounds: number) {
  const times = (turn: number) => Math.min(rounds, turns[turn]?.rounds ?? 0);
  const sum = (of: (demand: FoundVariant["demands"][number], side: 0 | 1) => number): Pair =>
    pairOf((side) => variant.demands.reduce((all, demand, turn) => all + times(turn) * of(demand, sideIndex(side)), 0));
  const least = sum(({ cycleSeconds }) => handsUpPart * cycleSeconds);
  const up = sum(({ handAboveShoulderSeconds }, side) => handAboveShoulderSeconds[side]);
  return {
    oneLeg: sum(({ oneLegSeconds }, side) => oneLegSeconds[side]),
    handsUp: pairOf((side) => Math.max(least[sideIndex(side)], up[sideIndex(side)])),
    held: variant.demands.reduce((all, { timedHoldSeconds }, turn) => all + times(turn) * timedHoldSeconds, 0),
  };
}

/** A variant as one mode of doing a block. @param rounds how many of its repetitions are done */
export function optionOf(
  { terms }: Pick<VariantSearch, "terms">,
  variant: FoundVariant,
  turns: readonly Turn[],
  handsUp = 0,
  rounds = variant.repetitions,
): CellOption {
  const some = rounds / variant.repetitions;
  const mode = supportModeOf(variant.choice);
  return {
    mode,
    variant: some === 1 ? variant : { ...variant, repetitions: rounds, fidelity: some * variant.fidelity },
    version: terms.versionOf(variant.choice),
    worth: some * variant.fidelity - supportModeCost(mode),
    onFeet: isStanding(variant.choice.kind),
    ...spentBy(variant, handsUp, turns, rounds),
    takes: takesOf(mode),
  };
}

const SAME = 1e-9;
const total = ({ oneLeg, handsUp, held }: CellOption): number => oneLeg[0] + oneLeg[1] + handsUp[0] + handsUp[1] + held;

/** Whether an option is at least as good as another in everything that can run short. */
const covers = (a: CellOption, b: CellOption, { oneLeg, handsUp, held }: Counted): boolean =>
  a.onFeet === b.onFeet &&
  a.worth >= b.worth - SAME &&
  (!held || a.held <= b.held + SAME) &&
  SIDES.every((side) => {
    const i = sideIndex(side);
    return (!oneLeg || a.oneLeg[i] <= b.oneLeg[i] + SAME) && (!handsUp || a.handsUp[i] <= b.handsUp[i] + SAME);
  }) &&
  a.takes.rail <= b.takes.rail &&
  a.takes.helpers <= b.takes.helpers &&
  a.takes.chairs <= b.takes.chairs;

/**
 * The modes of doing a block among which a session chooses: the best variant of every mode to stand, hold and sit, for
 * each share of a sum it may spend and each share of the repetitions, then breathing along, then rest. Those that
 * another beats in everything are left out.
 */
export function optionsOf(search: VariantSearch, turns: readonly Turn[], counted: Counted): CellOption[] {
  const found: CellOption[] = [];
  const groups = search.modes();
  const free = groups.find((modes) => modes.includes("standing") || modes.includes("water"));
  for (const modes of groups)
    for (const { variant, handsUp } of free === undefined || modes === free || modes.includes("seated")
      ? bestBySpending(search, modes, turns, counted)
      : bestOfTaking(search, modes, free, turns, counted))
      for (const rounds of roundsOf(variant, counted)) found.push(optionOf(search, variant, turns, handsUp, rounds));
  found.push(...breathingOption(search));
  return [...unbeaten(found, counted), REST_OPTION];
}

/** The numbers of repetitions of a variant that there are options for: fewer where a sum can run short. */
const roundsOf = ({ repetitions }: FoundVariant, { oneLeg, handsUp, held }: Counted): number[] => {
  const shares = oneLeg || handsUp || held ? ROUNDS : [1];
  return [...new Set(shares.map((share) => Math.max(1, Math.floor(share * repetitions))))];
};

/** Sitting and breathing along, where there is something to sit on. */
function breathingOption(search: VariantSearch): CellOption[] {
  const worth = search.terms.breathing();
  return worth === null ? [] : [{ ...REST_OPTION, mode: "breathing", worth, takes: takesOf("seated") }];
}

/** Options that no other beats in everything; the order in which they are listed decides between equals. */
function unbeaten(found: readonly CellOption[], counted: Counted): CellOption[] {
  const kept: CellOption[] = [];
  for (const option of found.toSorted((a, b) => b.worth - a.worth || total(a) - total(b)))
    if (!kept.some((better) => covers(better, option, counted))) kept.push(option);
  return found.filter((option) => kept.includes(option));
}

/**
 * A version of a block that is not a participant's own choice, for where others lead the way: its best variant in every
 * group of support modes, at as many shares of the repetitions as `optionsOf` lists. None where it keeps much less than the
 * best of its support modes.
 *
 * @param search of the item for the participant
 * @param turns sides that lead, with their repetitions
 * @param counted which session totals can run short
 * @param version the version
 */
export function otherVersionOptions(
  search: VariantSearch,
  turns: readonly Turn[],
  counted: Counted,
  version: VersionCode,
): CellOption[] {
  const found = search.modes().flatMap((modes) => {
    const above = Math.max(0, (search.best(modes)?.fidelity ?? 0) - MUCH_LESS);
    const variant = search.best(modes, UNLIMITED_SESSION_USE, above, version);
    if (variant === null) return [];
    const handsUp = counted.handsUp ? handsUpOf(variant, turns) : 0;
    return roundsOf(variant, counted).map((rounds) => optionOf(search, variant, turns, handsUp, rounds));
  });
  return unbeaten(found, counted);
}

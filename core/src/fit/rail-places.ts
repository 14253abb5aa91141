import { present } from "../checked-access.ts";
import type { FitPlan } from "./fit-plan.ts";
import type { CellOption } from "./options.ts";
import { OWN_WORTH, type PersonOptions, type SessionSelection, selectOptions } from "./session.ts";
import { byId, type Effort, pricedBound } from "./share-out.ts";
import type { Counts } from "./shared-resources.ts";
import { welfare } from "./welfare.ts";

/** What is open to everyone once the rail spaces are given out, and what each would choose of it alone. */
export interface GivenRail {
  readonly participants: readonly PersonOptions[];
  readonly alone: ReadonlyMap<PersonOptions, SessionSelection>;
}

const holdsRail = ({ takes }: CellOption): boolean => takes.rail > 0;

/** What is left of the ways of an item to someone who is not at the rail. */
function awayFromRail({ offered, all, pinned }: PersonOptions["blocks"][number]): readonly CellOption[] {
  const left = offered.filter((option) => !holdsRail(option));
  if (!pinned || left.some(({ variant }) => variant !== null) || left.length === offered.length) return left;
  // The instructor chose a way that takes the rail: the same kind with another support, else whatever is open.
  const others = all.filter((option) => !holdsRail(option));
  const kind = offered.find(holdsRail)?.variant?.choice.kind;
  const same = others.filter(({ variant }) => variant === null || variant.choice.kind === kind);
  return same.some(({ variant }) => variant !== null) ? same : others;
}

/**
 * Whether a way of an item is open where someone stands.
 *
 * @param options of a participant
 * @param option a way of any item
 */
export const isOpenTo = ({ atRail }: PersonOptions, option: CellOption): boolean => atRail || !holdsRail(option);

const withoutRail = (options: PersonOptions): PersonOptions => ({
  ...options,
  atRail: false,
  blocks: options.blocks.map((block) => ({ ...block, options: block.spent.length > 0 ? block.options : awayFromRail(block) })),
});

/**
 * The same with all that would be open at the rail.
 *
 * @param options of a participant, with or without a rail space
 */
export const asAtRail = (options: PersonOptions): PersonOptions =>
  options.atRail
    ? options
    : { ...options, atRail: true, blocks: options.blocks.map((block) => ({ ...block, options: block.offered })) };

/**
 * Gives out the rail spaces of a plan. A space is a place in the room and not a turn: whoever has one keeps it for the
 * session, and no one else holds the rail. Those stand there whom the instructor put there or pinned to it; the others by how
 * much the group loses where they do without.
 *
 * @param plan what is taught, with the number of spaces
 * @param participants with what is open to them at the rail
 * @param alone what each would choose at the rail
 * @param effort how wide the search is
 */
export function* giveRail(
  plan: FitPlan,
  participants: readonly PersonOptions[],
  alone: ReadonlyMap<PersonOptions, SessionSelection>,
  { patient }: Effort,
): Generator<undefined, GivenRail> {
  const own = (options: PersonOptions) => present(alone.get(options), "participant's choice");
  const put = ({ person }: PersonOptions) => person.atRail === true;
  const away = participants.filter(({ person }) => person.atRail === false);
  const wanting = participants.filter((each) => !put(each) && !away.includes(each) && own(each).chosen.some(holdsRail));
  const spaces = plan.resources.rail - participants.filter(put).length;
  if (away.length === 0 && wanting.length <= spaces) return { participants, alone };
  const without = new Map<PersonOptions, { readonly options: PersonOptions; readonly selection: SessionSelection }>();
  for (const each of participants) {
    if (put(each)) continue;
    const options = withoutRail(each);
    const selection = own(each).chosen.some(holdsRail) ? selectOptions(options, OWN_WORTH, patient) : own(each);
    without.set(each, { options, selection });
    yield;
  }
  const pinned = (each: PersonOptions) => each.blocks.some((block) => block.pinned && block.offered.some(holdsRail));
  const loss = (each: PersonOptions): number =>
    welfare(own(each).kept) - welfare(present(without.get(each), "participant's choice").selection.kept);
  const given = new Set(
    wanting
      .toSorted((a, b) => Number(pinned(b)) - Number(pinned(a)) || loss(b) - loss(a) || byId(a, b))
      .slice(0, Math.max(0, spaces)),
  );
  const there = participants.map((each) => {
    const instead = given.has(each) ? undefined : without.get(each);
    return { options: instead?.options ?? each, selection: instead?.selection ?? own(each) };
  });
  return {
    participants: there.map(({ options }) => options),
    alone: new Map(there.map(({ options, selection }) => [options, selection])),
  };
}

/**
 * A group score that no choice can exceed however the rail spaces are given out, from prices of what is shared: with them
 * each person counts for themselves, so those gain most who lose most without a space.
 *
 * @param plan what is taught, with the number of spaces
 * @param people with what is open to them, with or without a space
 * @param prices what places cost in each item; any give a bound
 */
export function railBound(plan: FitPlan, people: readonly PersonOptions[], prices: readonly Counts[]): number {
  if (people.every(({ atRail }) => atRail)) return pricedBound(plan, people, prices);
  const shared = pricedBound(plan, [], prices);
  const most = (options: PersonOptions) => pricedBound(plan, [options], prices) - shared;
  let all = shared;
  let spaces = plan.resources.rail;
  const gains: number[] = [];
  for (const options of people) {
    const there = most(asAtRail(options));
    if (options.person.atRail === true) {
      all += there;
      spaces -= 1;
      continue;
    }
    const away = options.blocks.some(({ offered }) => offered.some(holdsRail)) ? most(withoutRail(asAtRail(options))) : there;
    all += away;
    if (options.person.atRail !== false) gains.push(Math.max(0, there - away));
  }
  const given = gains.sort((a, b) => b - a).slice(0, Math.max(0, spaces));
  return all + given.reduce((sum, gain) => sum + gain, 0);
}

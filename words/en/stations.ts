import { distance, type FloorPosition } from "@able-tide/core/setup/floor-position";
import { SHOWN_PARTS, type ShownPart } from "@able-tide/core/setup/sight";
import type { Floor } from "@able-tide/core/setup/standing-positions";
import type { Station } from "@able-tide/core/setup/stations";
import { inAList } from "./text.ts";

/** Someone at their place, by name. */
export interface NamedPlace extends FloorPosition {
  readonly name: string;
}

/** Someone of a session at their place. */
export interface PersonPlace extends NamedPlace {
  readonly id: string;
}

/** Nearer than this to the middle of a wall is its middle, share of its length. */
const MIDDLE = 0.1;

/**
 * Where the instructor stands, as seen from the front: "in front, left of the middle".
 *
 * @param floor of the hall or pool
 * @param at metres
 */
export function formatInstructorPlace({ length, width }: Floor, { x, z }: FloorPosition): string {
  const walls = [
    [x, "in front", z, width, ["left of the middle", "right of the middle"]],
    [length - x, "at the back", z, width, ["left of the middle", "right of the middle"]],
    [z, "on the left", x, length, ["towards the front", "towards the back"]],
    [width - z, "on the right", x, length, ["towards the front", "towards the back"]],
  ] as const;
  const [, where, along, side, [before, after]] = walls.reduce((a, b) => (b[0] < a[0] ? b : a));
  const off = along / side - 0.5;
  return Math.abs(off) < MIDDLE ? where : `${where}, ${off < 0 ? before : after}`;
}

/**
 * Where a helper stands: "between Bela and Ruud", or "behind Bela" where no one else is near.
 *
 * @param at metres
 * @param people at their places
 */
export function formatHelperPlace(at: FloorPosition, people: readonly NamedPlace[]): string {
  const [first, second] = people.toSorted((a, b) => distance(a, at) - distance(b, at) || (a.name < b.name ? -1 : 1));
  if (first === undefined) return "near the group";
  if (second && distance(second, at) < 2 * distance(first, at)) return `between ${first.name} and ${second.name}`;
  return `${at.x > first.x ? "behind" : "next to"} ${first.name}`;
}

const PARTS: Readonly<Record<ShownPart, string>> = { face: "face", hands: "hands", feet: "feet" };

/** What someone cannot see of the instructor: "cannot see your hands and feet". */
const formatUnseen = (parts: readonly ShownPart[]): string =>
  parts.length === 3
    ? "cannot see you"
    : `cannot see your ${inAList(SHOWN_PARTS.filter((part) => parts.includes(part)).map((part) => PARTS[part]))}`;

/** Where those who lead stand, in words: "You: in front. Helper: between Bela and Ruud." */
export const formatStation = (
  floor: Floor,
  { instructor, helpers }: Pick<Station, "instructor" | "helpers">,
  people: readonly NamedPlace[],
): string =>
  [`You: ${formatInstructorPlace(floor, instructor)}.`, ...helpers.map((at) => `Helper: ${formatHelperPlace(at, people)}.`)].join(
    " ",
  );

/**
 * Who is out of sight or reach of those who lead, a sentence each; those who cannot see the same are named together.
 *
 * @param people who are there; others are not spoken of
 */
export function formatOutOfSight(
  { unseen, unreached }: Pick<Station, "unseen" | "unreached">,
  people: readonly Pick<PersonPlace, "id" | "name">[],
): string[] {
  const names = new Map(people.map(({ id, name }) => [id, name]));
  const alike = new Map<string, string[]>();
  for (const { personId, parts } of unseen) {
    const name = names.get(personId);
    const words = formatUnseen(parts);
    if (name !== undefined) alike.set(words, [...(alike.get(words) ?? []), name]);
  }
  const far = unreached.flatMap((id) => names.get(id) ?? []);
  return [
    ...[...alike].map(([words, who]) => `${inAList(who)} ${words}.`),
    ...(far.length > 0 ? [`No one reaches ${inAList(far)} in time while they stand.`] : []),
  ];
}

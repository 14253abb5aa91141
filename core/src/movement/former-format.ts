import type { FileProblem } from "../files/json.ts";

/** The version of the movement format that is written, and those that are read. */
export const MOVEMENT_VERSION = 2;

/** Fields of a movement, and of one of its key poses, that format 1 does not have. */
const NEW_IN_2: readonly string[] = ["reversal", "holdAt", "pivot"];
const NEW_IN_KEYS: readonly string[] = ["share", "held"];
/** What a hand may rest on in format 1, as a file's problem lists it. */
const ANCHORS_OF_1 = '("belly" | "hip" | "upperThigh" | "thigh" | "knee" | "otherKnee" | "otherHand")';
/** The most breaths of a repetition in format 1. */
const MOST_BREATHS_1 = 8;

const isDocument = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Where the lists of key poses of a document are. */
function keyLists(document: Readonly<Record<string, unknown>>): (readonly [path: string, keys: readonly unknown[]])[] {
  const forms = isDocument(document["forms"]) ? Object.entries(document["forms"]) : [];
  const lists: [string, unknown][] = [["keys", document["keys"]]];
  for (const [kind, form] of forms) if (isDocument(form)) lists.push([`forms.${kind}.keys`, form["keys"]]);
  return lists.flatMap(([path, keys]) => (Array.isArray(keys) ? [[path, keys] as const] : []));
}

/** Something that a document says, and the path to it. */
interface Said {
  readonly path: string;
  readonly said: Readonly<Record<string, unknown>>;
}

/** Every key pose of a document. */
const keysIn = (document: Readonly<Record<string, unknown>>): Said[] =>
  keyLists(document).flatMap(([path, keys]) =>
    keys.flatMap((said, i) => (isDocument(said) ? [{ path: `${path}[${i}]`, said }] : [])),
  );

/** Some parts of every key pose of a document, where it has them. */
const partsIn = (document: Readonly<Record<string, unknown>>, parts: readonly string[]): Said[] =>
  keysIn(document).flatMap(({ path, said: key }) =>
    parts.flatMap((part) => {
      const said = key[part];
      return isDocument(said) ? [{ path: `${path}.${part}`, said }] : [];
    }),
  );

const ARM_PARTS = ["arms", "leadArm", "trailArm"] as const;
/** What a hand may rest on in format 2 only. */
const NEWER_ANCHORS: readonly unknown[] = ["chest", "lowBack", "otherWrist", "head"];

/** Anchors of a format 1 document that only format 2 knows. */
const newerAnchors = (document: Readonly<Record<string, unknown>>): string[] =>
  partsIn(document, ARM_PARTS).flatMap(({ path, said }) => (NEWER_ANCHORS.includes(said["anchor"]) ? [`${path}.anchor`] : []));

/** Resting palms of a format 1 document. */
const newerPalms = (document: Readonly<Record<string, unknown>>): string[] =>
  partsIn(document, ARM_PARTS).flatMap(({ path, said }) => ("palm" in said ? [`${path}.palm`] : []));

const FOOT_PARTS = ["feet", "leadFoot", "trailFoot"] as const;
/** How far a foot may stand from its place in the stance in format 1, shares of stature. */
const FURTHEST_FOOT_1 = 0.4;

/** Feet of a format 1 document that turn. */
const turningFeet = (document: Readonly<Record<string, unknown>>): string[] =>
  partsIn(document, FOOT_PARTS).flatMap(({ path, said }) => ("turn" in said ? [`${path}.turn`] : []));

/** Feet of a format 1 document that stand further away than format 1 lets them. */
const fartherFeet = (document: Readonly<Record<string, unknown>>): FileProblem[] =>
  partsIn(document, FOOT_PARTS).flatMap(({ path, said }) =>
    (["ahead", "outward"] as const).flatMap((way): FileProblem[] => {
      const by = said[way];
      if (typeof by !== "number" || Math.abs(by) <= FURTHEST_FOOT_1) return [];
      return by > 0
        ? [{ path: `${path}.${way}`, code: "tooLarge", requirement: FURTHEST_FOOT_1 }]
        : [{ path: `${path}.${way}`, code: "tooSmall", requirement: -FURTHEST_FOOT_1 }];
    }),
  );

/** Breaths of a format 1 document that only format 2 knows. */
const newerBreaths = (document: Readonly<Record<string, unknown>>): string[] =>
  keysIn(document).flatMap(({ path, said: { breath } }) => (breath === "both" || breath === "pause" ? [`${path}.breath`] : []));

/** Cues of a document, of its variants and of one hand, that send the attention somewhere. */
function newerCues(document: Readonly<Record<string, unknown>>): string[] {
  const speaks = (part: unknown, path: string): string[] => {
    if (!isDocument(part)) return [];
    const own = isDocument(part["cues"]) && "attention" in part["cues"] ? [`${path}cues.attention`] : [];
    return [...own, ...speaks(part["oneHand"], `${path}oneHand.`)];
  };
  const forms = isDocument(document["forms"]) ? Object.entries(document["forms"]) : [];
  return [...speaks(document, ""), ...forms.flatMap(([kind, form]) => speaks(form, `forms.${kind}.`))];
}

/** Places in a format 1 document that only format 2 knows. */
function newerFields(document: Readonly<Record<string, unknown>>): string[] {
  const ofKeys = keysIn(document).flatMap(({ path, said }) =>
    NEW_IN_KEYS.filter((field) => field in said).map((field) => `${path}.${field}`),
  );
  const ofForms = Object.entries(isDocument(document["forms"]) ? document["forms"] : {}).flatMap(([kind, form]) =>
    isDocument(form) && "holdAt" in form ? [`forms.${kind}.holdAt`] : [],
  );
  return [
    ...NEW_IN_2.filter((field) => field in document),
    ...ofForms,
    ...ofKeys,
    ...newerPalms(document),
    ...turningFeet(document),
    ...newerCues(document),
  ];
}

/** A movement's document as a file has it, in the present format as far as that can be told before it is checked. */
export interface Upgraded {
  readonly document: unknown;
  /** Fields that its own version of the format does not know. */
  readonly problems: readonly FileProblem[];
}

/**
 * A movement's document as format 2. Format 2 adds to format 1, so that what a format 1 document means stays the same; what
 * is no movement of format 1 is left as it is.
 *
 * @param path where in its file the document is, with a full stop at its end; empty for the whole file
 */
export function upgradeMovement(document: unknown, path = ""): Upgraded {
  if (!isDocument(document) || document["version"] !== 1) return { document, problems: [] };
  const problems = newerFields(document).map((field): FileProblem => ({ path: `${path}${field}`, code: "unknown" }));
  for (const place of newerBreaths(document))
    problems.push({ path: `${path}${place}`, code: "notOneOf", requirement: '("in" | "out")' });
  for (const place of newerAnchors(document))
    problems.push({ path: `${path}${place}`, code: "notOneOf", requirement: ANCHORS_OF_1 });
  problems.push(...fartherFeet(document).map((found) => ({ ...found, path: `${path}${found.path}` })));
  const { breaths } = document;
  if (typeof breaths === "number" && breaths > MOST_BREATHS_1)
    problems.push({ path: `${path}breaths`, code: "tooLarge", requirement: MOST_BREATHS_1 });
  return { document: { ...document, version: MOVEMENT_VERSION }, problems };
}

/** What a file says with its movements in the present format. */
export interface UpgradedValue {
  readonly value: unknown;
  /** Fields that the format of a movement does not know. */
  readonly problems: readonly FileProblem[];
}

/**
 * The same for the movements that a file has under "movements"; one without such a list is left as it is.
 *
 * @param value what the file says, as JSON
 * @param path where in its file the value is, with a full stop at its end; empty for the whole file
 */
export function upgradeMovementsIn(value: unknown, path = ""): UpgradedValue {
  if (!isDocument(value) || !Array.isArray(value["movements"])) return { value, problems: [] };
  const upgraded = value["movements"].map((document, i) => upgradeMovement(document, `${path}movements[${i}].`));
  return {
    value: { ...value, movements: upgraded.map(({ document }) => document) },
    problems: upgraded.flatMap(({ problems }) => problems),
  };
}

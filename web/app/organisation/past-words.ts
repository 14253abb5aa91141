import { count } from "@able-tide/words/text";

/** So many participants and class records: "2 participants and 1 class record"; empty where there are none. */
export const pastWords = ({ people, classes }: { readonly people: number; readonly classes: number }): string =>
  [people > 0 && count(people, "participant", "participants"), classes > 0 && count(classes, "class record", "class records")]
    .filter(Boolean)
    .join(" and ");

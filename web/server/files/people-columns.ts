import type { PeopleFileKind } from "../../forms/people-file-form.ts";
import type { Column } from "./csv.ts";

const column = (name: string, label: string, required: boolean, ...also: string[]): Column => ({ name, label, also, required });

/** The columns of each file, in the order they are written. */
export const FILE_COLUMNS: Readonly<Record<PeopleFileKind, readonly Column[]>> = {
  people: [
    column("name", "Name", true, "person", "called"),
    column("birthYear", "Birth year", true, "born", "year of birth"),
    column("statureCentimetres", "Height (cm)", true, "stature", "stature cm", "height", "height cm"),
    column("massKilograms", "Weight (kg)", true, "mass", "mass kg", "weight", "weight kg"),
    column("uses", "What they use", false, "aids"),
    column("notes", "Notes", false, "note"),
    column("groups", "Groups", false, "group"),
    column("wheelchair", "Wheelchair", false),
  ],
  limitations: [
    column("person", "Person", true, "name"),
    column("limitation", "Limitation", true, "what is the matter", "rule"),
    column("side", "Side", false),
    column("kind", "Which", false, "kind"),
    column("since", "When it happened", false, "since", "event day", "date"),
    column("note", "Note", false, "notes"),
  ],
  measured: [
    column("person", "Person", true, "name"),
    column("range", "What was measured", true, "range", "joint"),
    column("how", "How", false),
    column("left", "Left", false),
    column("right", "Right", false),
    column("day", "Day", true, "date"),
    column("position", "Where the arm was", false, "arm position"),
  ],
};

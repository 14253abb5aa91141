/** Why a class has another session sheet than before. */
export type SheetCause =
  /** The class began with it. */
  | "begun"
  /** Everyone was fitted again while people arrived. */
  | "arrivals"
  /** Someone was fitted again after notes in class. */
  | "notes"
  /** Someone came who was not in the group. */
  | "walkIn";

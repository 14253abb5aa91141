import { createFormLibrary } from "@able-tide/core/fit/form-library";

/** Solved forms of this process. Movements are told apart by content, so nothing in it goes stale. */
export const solvedForms = createFormLibrary();

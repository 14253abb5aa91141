/** Name of the form that ends the newcomer caps, among the forms of a participant's page. */
export const NEWCOMER_FORM = "newcomer";

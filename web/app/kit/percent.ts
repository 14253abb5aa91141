/** A share in whole percent. @param share 0 to 1 */
export const percent = (share: number): string => `${Math.round(100 * share)}%`;

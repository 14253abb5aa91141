/** Gives a text a capital first letter, as labels and headings have. */
export const sentenceCase = (text: string): string => text.charAt(0).toLocaleUpperCase("en") + text.slice(1);

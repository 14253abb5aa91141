/** Letters of a text as they are searched: small, without accents and other marks. */
const folded = (text: string): string =>
  text.toLowerCase().normalize("NFD").replace(/\p{M}/gu, "").replaceAll("ø", "o").replaceAll("ł", "l").replaceAll("ß", "ss");

/**
 * Whether a name is found: each word that is searched for begins a word of the name, however it is accented.
 *
 * @param searched what was typed; an empty text finds everyone
 */
export function isFound(name: string, searched: string): boolean {
  const words = folded(name).split(/[\s'-]+/);
  return folded(searched)
    .split(/\s+/)
    .every((start) => words.some((word) => word.startsWith(start)));
}

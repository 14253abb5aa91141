/** Named colours of a rule of a style sheet, by name. @param rule its selector */
export const coloursOf = (sheet: string, rule: string): ReadonlyMap<string, string> => {
  const body = sheet.slice(sheet.indexOf(`${rule} {`)).split("}")[0] ?? "";
  return new Map([...body.matchAll(/(--[\w-]+):\s*([^;]+);/g)].map(([, name, colour]) => [name ?? "", colour ?? ""]));
};

/** Painting properties of each class of the style sheet. */
const classesOf = (sheet: string): ReadonlyMap<string, string> =>
  new Map(
    [...sheet.matchAll(/((?:\.[\w-]+,?\s*)+)\{([^}]*)\}/g)].flatMap(([, names = "", body = ""]) => {
      const painted = [...body.matchAll(/([\w-]+):\s*([^;]+);/g)].map(([, property, value]) => `${property}="${value}"`);
      return names.split(",").map((name): [string, string] => [name.trim().slice(1), painted.join(" ")]);
    }),
  );

/**
 * A drawing that needs no style sheet: its classes are written out as properties, its named colours as colours.
 *
 * @param drawing markup of an SVG drawing; it must not use a class or a colour that the sheet lacks
 * @param sheet the style sheet: colours in a `:root` rule, and rules of single classes
 * @throws Error where a class or a colour is missing
 */
export function selfContained(drawing: string, sheet: string): string {
  const [colours, classes] = [coloursOf(sheet, ":root"), classesOf(sheet)];
  const known = (from: ReadonlyMap<string, string>, name: string): string => {
    const found = from.get(name);
    if (found === undefined) throw new Error(`The style sheet has no ${name}.`);
    return found;
  };
  return drawing
    .replace(/class="([\w-]+)"/g, (_, name: string) => known(classes, name))
    .replace(/var\((--[\w-]+)\)/g, (_, name: string) => known(colours, name));
}

import { MATERIALS, type Material, WITHIN_SKIN } from "@able-tide/core/figure/part";
import { describe, expect, test } from "vitest";
import sheet from "../figure.css?raw";
import { coloursOf } from "./self-contained.ts";

/** Relative luminance, as WCAG 2.2 defines it. */
function luminance(colour: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const share = Number.parseInt(colour.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(a: string, b: string): number {
  const [dark = 0, light = 0] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (light + 0.05) / (dark + 0.05);
}

/** What a page has behind the figure. */
const PAGES = { ":root": ["#ffffff", "#fbf8f0"], ".class-room": ["#0b2229"] } as const;
/** No line is drawn round these, and they lie within the skin: their colour alone tells them from it. */
const UNLINED = ["palm", "eye"];
/** The nose is a shade of the skin: where someone looks is told by the eyes. */
const LINED: readonly Material[] = MATERIALS.filter((material) => !WITHIN_SKIN.includes(material));
/** Lies on the shirt only. */
const ON_SHIRT = "placket";
const CLOTHED = ["skin", "shirt", "trousers", "shoe"] as const;
/** What lies beside what on a figure. */
const BESIDE: readonly (readonly [Material, Material])[] = [
  ["hair", "skin"],
  ["hair", "shirt"],
  ["skin", "shirt"],
  ["skin", "trousers"],
  ["skin", "band"],
  ["shirt", "band"],
  ["shirt", "trousers"],
  ["shirt", ON_SHIRT],
  ["shirt", "sling"],
  ["skin", "sling"],
  ["trousers", "band"],
  ["trousers", "shoe"],
  ["shoe", "sole"],
  ["skin", "helper"],
  ...CLOTHED.flatMap((one) =>
    (["prosthesis", "wood", "cushion", "metal", "tyre", "wall"] as const).map((other) => [one, other] as const),
  ),
];

describe.each(Object.entries(PAGES))("figures of %s", (rule, pages) => {
  const colours = coloursOf(sheet, rule);
  const of = (name: string): string => colours.get(`--figure-${name === "leftShoe" ? "shoe" : name}`) ?? "";
  const line = of("line");

  test("have a colour for every material", () => {
    for (const material of MATERIALS) expect(of(material), material).toMatch(/^#/);
  });

  test("stand out from the page and the floor by their colour or by the line round them", () => {
    for (const page of [...pages, of("ground")])
      for (const material of LINED.filter((each) => each !== ON_SHIRT))
        expect(Math.max(contrast(of(material), page), contrast(line, page)), `${material} on ${page}`).toBeGreaterThanOrEqual(3);
  });

  test("have parts that are told from each other by their colour or by the line between them", () => {
    for (const [a, b] of BESIDE)
      expect(
        Math.max(contrast(of(a), of(b)), contrast(of(a), line), contrast(of(b), line)),
        `${a} ${of(a)} beside ${b} ${of(b)}`,
      ).toBeGreaterThanOrEqual(3);
  });

  test.each(UNLINED)("tell the %s from the skin by colour alone", (material) => {
    expect(contrast(of(material), of("skin"))).toBeGreaterThanOrEqual(3);
  });
});

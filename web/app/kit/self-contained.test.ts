import { expect, test } from "vitest";
import { selfContained } from "./self-contained.ts";

const SHEET = `:root {
  --skin: #b5764c;
  --line: #14343c;
}
.dark { --skin: #fff; }
.skin,
.hand {
  fill: var(--skin);
}
.ink {
  fill: none;
  stroke: var(--line);
}`;

test("classes become what they paint, and named colours the colours of the light page", () => {
  expect(selfContained('<path class="hand" d="M0 0"/><path class="ink"/><path fill="var(--skin)"/>', SHEET)).toBe(
    '<path fill="#b5764c" d="M0 0"/><path fill="none" stroke="#14343c"/><path fill="#b5764c"/>',
  );
});

test.each(['<path class="hat"/>', '<path fill="var(--hat)"/>'])("%s is not in the sheet", (drawing) => {
  expect(() => selfContained(drawing, SHEET)).toThrow("hat");
});

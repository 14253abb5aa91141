import { expect, test } from "vitest";
import { fileKind } from "./file-kind.ts";

const bytes = (text: string) => new TextEncoder().encode(text);

test.each([
  ["a PDF", bytes("%PDF-1.7 rest"), "application/pdf"],
  ["a PNG", Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0), "image/png"],
  ["a JPEG", Uint8Array.of(0xff, 0xd8, 0xff, 0xe0), "image/jpeg"],
  ["a web page named .pdf", bytes("<html>"), null],
  ["nothing", new Uint8Array(), null],
  ["the beginning of a PNG", Uint8Array.of(0x89, 0x50), null],
])("%s is told by its content", (_, content, kind) => {
  expect(fileKind(content)).toBe(kind);
});

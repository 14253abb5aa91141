import { SHIPPED } from "../../server/movements/shipped.ts";
import { movementFigure } from "./movement-figure.server.tsx";

/** How long after the start drawing begins, and how long it rests between two movements, milliseconds: people go first. */
const AFTER = 10_000;
const REST = 30;

/** Draws the pictures of the library one by one while no one waits for them. */
export async function drawLibraryAhead(): Promise<void> {
  await new Promise((resolve) => setTimeout(resolve, AFTER).unref());
  for (const movement of SHIPPED) {
    movementFigure(movement);
    await new Promise((resolve) => setTimeout(resolve, REST).unref());
  }
}

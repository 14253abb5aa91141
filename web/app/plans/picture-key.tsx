import { Dialog, DialogCancel, DialogFrame, DialogTitle, DialogTrigger } from "../kit/dialog.tsx";
import { VariantSymbol, type VariantSymbolProps } from "../kit/variant-symbol.tsx";

/** Each vessel with what it says. */
const VESSELS: readonly (readonly [vessel: VariantSymbolProps, says: string])[] = [
  [{ form: "standing", level: 1 }, "Tall glass: standing"],
  [{ form: "supported", level: 1, hold: "left" }, "Handle: holding on, on the side of the hand that holds"],
  [{ form: "seated", level: 1 }, "Bowl: seated"],
  [{ form: "water", level: 1 }, "Round jar: in the water"],
  [{ form: "rest", level: 0 }, "Broken circle: rests in this movement"],
  [{ form: "standing", level: 0.5 }, "How full: how much of the full movement"],
  [
    { form: "standing", level: 0.8, lighterSide: "right" },
    "Cut in the rim: less on that side. Right is on the left, as you see it",
  ],
];

/** How to read the board: the tide line, and the vessels under it. */
export function PictureKey() {
  return (
    <Dialog>
      <DialogTrigger className="min-h-8 text-left underline underline-offset-4">How to read this</DialogTrigger>
      <DialogFrame width="medium">
        <DialogTitle className="mb-3 text-2xl">How to read this picture</DialogTitle>
        <p className="mb-4">
          The tide line rises with the balance demand of each movement as planned, 0 to 10. With a participant chosen, the dashed
          line is their own demand and the orange line their cap. Under it, each row is a participant and each vessel their
          variant of a movement:
        </p>
        <ul className="grid gap-2">
          {VESSELS.map(([vessel, says]) => (
            <li key={says} className="flex items-center gap-4">
              <VariantSymbol {...vessel} size={36} />
              {says}
            </li>
          ))}
        </ul>
        <DialogCancel className="mt-6">Close</DialogCancel>
      </DialogFrame>
    </Dialog>
  );
}

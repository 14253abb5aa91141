import { formatMinutes } from "@able-tide/words/text";
import type { CurrentMovement } from "./class-view.ts";

/** What comes next, in how long, and who stands up or sits down before it, and where to stand then. */
export function NextMovement({ next, left }: Pick<CurrentMovement, "next" | "left">) {
  return (
    <div className="flex-1 rounded-[20px] bg-tide-900 px-4 py-3 text-base">
      <p className="text-tide-200">
        {next?.goesOn ? "Goes on by itself" : "Next"}
        {next ? `, in ${formatMinutes(left)}` : ""}
      </p>
      <p className="font-display text-2xl font-bold">
        {next?.name ?? "Leave safely"}
        {next?.side && <span className="text-signal-300">, {next.side} side</span>}
      </p>
      {next?.change && <p className="leading-snug">{next.change}</p>}
      {next?.stand && <p className="leading-snug">{next.stand}</p>}
    </div>
  );
}

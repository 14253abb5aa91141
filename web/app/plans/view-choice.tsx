import { ChoiceGroup } from "../kit/choice-group.tsx";
import type { Board, BoardView } from "./use-board.ts";

const VIEWS: readonly (readonly [BoardView, string])[] = [
  ["versions", "Versions"],
  ["participants", "Participants"],
];

/** What the picture shows under the tide: how many do each movement in which version, or everyone's own variant. */
export const ViewChoice = ({ board: { view, setView } }: { board: Board }) => (
  <ChoiceGroup
    label="Board shows"
    value={view}
    options={VIEWS}
    choose={setView}
    className="flex overflow-hidden rounded-full border-[1.5px] border-tide-800"
    optionClassName={(on) => `min-h-11 px-4 font-semibold ${on ? "bg-tide-800 text-sand-50" : "bg-white hover:bg-tide-100"}`}
  />
);

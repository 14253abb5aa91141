import type { ViewName } from "@able-tide/core/figure/camera";
import { memo } from "react";
import { ChoiceGroup } from "./choice-group.tsx";

/** From where a figure is looked at: where it is told best, or as someone chooses. */
const CHOSEN_VIEWS = ["best", "front", "side", "behind", "above"] as const;
export type ChosenView = (typeof CHOSEN_VIEWS)[number];

const LABELS: Readonly<Record<ChosenView, string>> = {
  best: "Best",
  front: "Front",
  side: "Side",
  behind: "Behind",
  above: "Above",
};

/** The view that was chosen. @param best the view from which the movement is told best */
export function viewChosen(chosen: ChosenView, best: ViewName): ViewName {
  switch (chosen) {
    case "best":
      return best;
    case "front":
      return "facing";
    case "side":
      return "aside";
    case "behind":
      return "back";
    case "above":
      return "above";
  }
}

/** A row of views to choose from. */
export const ViewChoice = memo(function ViewChoice({
  chosen,
  choose,
  className,
}: {
  readonly chosen: ChosenView;
  readonly choose: (view: ChosenView) => void;
  readonly className?: string;
}) {
  return (
    <ChoiceGroup
      value={chosen}
      options={CHOSEN_VIEWS.map((view) => [view, LABELS[view]] as const)}
      choose={choose}
      label="View of the figure"
      className={`flex gap-1 ${className ?? ""}`}
      optionClassName={(isChosen) =>
        `min-h-11 min-w-11 rounded-full border-[1.5px] px-3 font-semibold ${
          isChosen ? "border-current underline underline-offset-4" : "border-transparent hover:border-current"
        }`
      }
    />
  );
});

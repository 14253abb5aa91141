/** The keys of the plan board, as its sheet tells them. */
export const BOARD_KEYS = [
  ["arrows", "from cell to cell in the grid"],
  ["/", "find a movement to add; Escape goes back"],
  ["n", "to the first thing to mind"],
  ["g", "to the grid of people"],
  ["[ and ]", "move the chosen block earlier or later"],
  [", and .", "choose the block before or after"],
  ["+ and -", "one round more or less"],
  ["d", "the chosen block once more"],
  ["m", "the chosen block for the other side"],
  ["j", "run straight on from the one before, or not"],
  ["Delete", "take the chosen block out"],
  ["Ctrl Z, Ctrl Y", "undo, redo"],
  ["?", "this sheet"],
] as const;

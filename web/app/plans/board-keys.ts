/** The keys of the plan board, as its sheet tells them. */
export const BOARD_KEYS = [
  ["arrows", "Move between cells of the grid"],
  ["/", "Find a movement to add (Escape to close)"],
  ["n", "Go to the first check"],
  ["g", "Go to the participants"],
  ["[ and ]", "Move the selected movement earlier or later"],
  [", and .", "Select the previous or next movement"],
  ["+ and -", "Add or remove one repetition"],
  ["d", "Duplicate the selected movement"],
  ["m", "Switch the selected movement to the other side"],
  ["j", 'Turn "no pause before" on or off'],
  ["Delete", "Remove the selected movement"],
  ["Ctrl Z, Ctrl Y", "Undo, redo"],
  ["?", "Show keyboard shortcuts"],
] as const;

import type { Movement } from "@able-tide/core/movement/format";
import { formatFileProblems } from "@able-tide/words/file-problem";
import { wordProblems } from "@able-tide/words/misfitting-words";
import { useMemo } from "react";

/** Words that do not fit a chair or one hand, shown to the author. */
export function WordAdvice({ movement }: { movement: Movement }) {
  const problems = useMemo(() => formatFileProblems(wordProblems(movement)), [movement]);
  if (problems.length === 0) return null;
  return (
    <ul className="mt-3 rounded-soft border border-sand-300 bg-white p-3">
      {problems.map(({ path, message }) => (
        <li key={`${path} ${message}`}>
          {path === "oneHand" ? "With one hand: " : "On a chair: "}
          {message}.
        </li>
      ))}
    </ul>
  );
}

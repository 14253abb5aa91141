import { useEffect, useRef, useState } from "react";
import type { ProposeAnswer, ProposeQuestion } from "../workers/propose.worker.ts";

/** Plans proposed in a worker, in the order they come; asking again begins anew. */
export function useProposals() {
  const worker = useRef<Worker | null>(null);
  const turn = useRef(0);
  const [proposals, setProposals] = useState<readonly ProposeAnswer[]>([]);

  useEffect(() => () => worker.current?.terminate(), []);

  function ask(question: Omit<ProposeQuestion, "turn">): void {
    if (!worker.current) {
      worker.current = new Worker(new URL("../workers/propose.worker.ts", import.meta.url), { type: "module" });
      worker.current.onmessage = ({ data }: MessageEvent<ProposeAnswer>) => {
        if (data.turn !== turn.current) return;
        setProposals((before) => [...before.filter(({ number }) => number !== data.number), data]);
      };
    }
    turn.current += 1;
    setProposals([]);
    worker.current.postMessage({ ...question, turn: turn.current });
  }

  return { proposals: proposals.toSorted((a, b) => a.number - b.number), ask };
}

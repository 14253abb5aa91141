import type { FitPerson } from "@able-tide/core/fit/session";
import { useEffect, useRef, useState } from "react";
import type { FitAnswer, FitQuestion } from "../workers/fit.worker.ts";
import type { ProposeAnswer, ProposeQuestion } from "../workers/propose.worker.ts";

/** How much of a proposal people keep. */
export interface ProposalFit {
  /** Mean share of the session over everybody, 0 to 1. */
  readonly kept: number;
  readonly least: { readonly personId: string; readonly share: number } | null;
}

/** A proposal; its fit is null until everybody has been fitted. */
export interface FittedProposal extends ProposeAnswer {
  readonly fit: ProposalFit | null;
}

/** Fits everybody to a plan in a worker. @returns null when there was nobody to fit */
function fitIn(worker: Worker, turn: number, { plan }: ProposeAnswer, people: readonly FitPerson[]): Promise<ProposalFit | null> {
  return new Promise((resolve) => {
    const shares = new Map<string, number>();
    worker.onmessage = ({ data }: MessageEvent<FitAnswer>) => {
      if (data.turn !== turn) return;
      if (data.kind === "row") shares.set(data.personId, data.kept);
      if (data.kind !== "group") return;
      const all = [...shares].map(([personId, share]) => ({ personId, share }));
      const kept = all.reduce((sum, { share }) => sum + share, 0) / all.length;
      resolve({ kept, least: all.toSorted((a, b) => a.share - b.share)[0] ?? null });
    };
    const question: FitQuestion = { kind: "fit", turn, plan, people };
    if (people.length === 0) resolve(null);
    else worker.postMessage(question);
  });
}

/** Workers that fit side by side. */
const FITTERS = 2;

interface Workers {
  readonly proposer: Worker;
  readonly fitters: readonly Worker[];
}

const startWorkers = (): Workers => ({
  proposer: new Worker(new URL("../workers/propose.worker.ts", import.meta.url), { type: "module" }),
  fitters: Array.from(
    { length: FITTERS },
    () => new Worker(new URL("../workers/fit.worker.ts", import.meta.url), { type: "module" }),
  ),
});

/** Plans proposed in a worker, in the order they come, each then fitted in another; asking again begins anew. */
export function useProposals() {
  const workers = useRef<Workers | null>(null);
  const turn = useRef(0);
  const fits = useRef(0);
  const [proposals, setProposals] = useState<readonly FittedProposal[]>([]);

  useEffect(
    () => () => {
      workers.current?.proposer.terminate();
      for (const fitter of workers.current?.fitters ?? []) fitter.terminate();
      workers.current = null;
    },
    [],
  );

  function ask(question: Omit<ProposeQuestion, "turn">): void {
    workers.current ??= startWorkers();
    const { proposer, fitters } = workers.current;
    turn.current += 1;
    const mine = turn.current;
    setProposals([]);
    // Each fitter takes its proposals one after another.
    const free = fitters.map(() => Promise.resolve());
    proposer.onmessage = ({ data }: MessageEvent<ProposeAnswer>) => {
      if (data.turn !== mine) return;
      setProposals((before) => [...before, { ...data, fit: null }]);
      const at = data.number % fitters.length;
      free[at] = (free[at] ?? Promise.resolve()).then(async () => {
        if (mine !== turn.current) return;
        fits.current += 1;
        const fit = await fitIn(fitters[at] as Worker, fits.current, data, question.people);
        if (mine === turn.current)
          setProposals((before) => before.map((each) => (each.number === data.number ? { ...each, fit } : each)));
      });
    };
    proposer.postMessage({ ...question, turn: mine });
  }

  return { proposals, ask };
}

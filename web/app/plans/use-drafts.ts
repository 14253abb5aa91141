import { useEffect, useState } from "react";
import type { FitRunner } from "../../jobs/fit-runner.ts";
import { useStore } from "../kit/use-store.ts";
import { createBrowserRunner } from "../workers/browser-runner.ts";
import { createDrafting, type Drafting, type DraftingState } from "./drafting.ts";

/** Workers that draft and fit side by side. */
const WORKERS = 2;

/** Plans drafted in workers and fitted to everyone. */
export function useDrafts(): DraftingState & Pick<Drafting, "request" | "stop"> {
  const [{ drafting, runner }] = useState((): { drafting: Drafting; runner: FitRunner } => {
    const own = createBrowserRunner(WORKERS);
    return { runner: own, drafting: createDrafting(own) };
  });
  const state = useStore(drafting);
  useEffect(
    () => () => {
      drafting.stop();
      void runner.close();
    },
    [drafting, runner],
  );
  return { ...state, request: drafting.request, stop: drafting.stop };
}

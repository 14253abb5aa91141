import type { ClassScript } from "@able-tide/core/class/script";
import { createStore, type Store } from "../kit/store.ts";

/** Where today's fit stands: as it should be, being computed, or waiting for the network. */
export type Fitting = "done" | "working" | "noConnection";

/** A script, and how often it had been changed. */
export interface RevisedScript {
  readonly script: ClassScript;
  readonly scriptRevision: number;
}

export interface ScriptState extends RevisedScript {
  readonly fitting: Fitting;
}

export interface ScriptModel extends Store<ScriptState> {
  /** Fits the class again once what was answered has been sent; only the newest request says how it went. */
  readonly fitAgain: (sent?: Promise<void>) => Promise<void>;
  /** Takes a script that came from elsewhere; an older one than the present is dropped. */
  readonly take: (revised: RevisedScript) => void;
}

/**
 * The script of a class. Without a connection the class goes on with the script it has.
 *
 * @param fit fits the class on the server. @throws without an answer
 */
export function createScriptModel(planned: RevisedScript, fit: () => Promise<RevisedScript>): ScriptModel {
  const store = createStore<ScriptState>({ ...planned, fitting: "done" });
  let requests = 0;

  // Answers may come in another order than they were asked for.
  const take = ({ script, scriptRevision }: RevisedScript): void =>
    store.set((before) => (scriptRevision > before.scriptRevision ? { ...before, script, scriptRevision } : before));
  const setFitting = (fitting: Fitting): void => store.set((before) => ({ ...before, fitting }));

  return {
    ...store,
    take,
    async fitAgain(sent) {
      requests += 1;
      const mine = requests;
      setFitting("working");
      try {
        await sent;
        const answer = await fit();
        if (mine !== requests) return;
        take(answer);
        setFitting("done");
      } catch {
        if (mine === requests) setFitting("noConnection");
      }
    },
  };
}

import type { ClassScript } from "@able-tide/core/class/script";
import { useCallback, useEffect, useRef, useState } from "react";

/** Where today's fit stands: as it should be, being worked out, or waiting for the network. */
export type Fitting = "done" | "working" | "noConnection";

/** A script, and how often it had been changed. */
export interface RevisedScript {
  readonly script: ClassScript;
  readonly scriptRevision: number;
}

const RETRY = 5000;
const JSON_PLEASE = { Accept: "application/json" };

async function ask(path: string, method: "GET" | "POST"): Promise<RevisedScript> {
  const response = await fetch(path, { method, headers: JSON_PLEASE });
  if (!response.ok) throw new Error(`${path} was answered ${response.status}`);
  return response.json();
}

/**
 * The script of a class, fitted anew when somebody's day changes it. Without a connection the class goes on with the
 * script it has, and asks again until it is answered or the class moves.
 *
 * @param planned as the page was loaded
 * @param moving whether the class has begun moving, when it keeps what it has
 */
export function useScript(classId: string, planned: RevisedScript, moving: boolean) {
  const [revised, setRevised] = useState(planned);
  const [fitting, setFitting] = useState<Fitting>("done");
  useEffect(() => setRevised((now) => newer(now, planned)), [planned]);

  const turn = useRef(0);
  /** Fits anew once what was answered has been sent; only the newest asking says how it went. */
  const fitAgain = useCallback(
    async (sent?: Promise<void>) => {
      turn.current += 1;
      const mine = turn.current;
      setFitting("working");
      try {
        await sent;
        const answer = await ask(`/classes/${classId}/fit`, "POST");
        if (mine !== turn.current) return;
        setRevised((now) => newer(now, answer));
        setFitting("done");
      } catch {
        if (mine === turn.current) setFitting("noConnection");
      }
    },
    [classId],
  );

  useEffect(() => {
    if (fitting !== "noConnection" || moving) return;
    const timer = setTimeout(() => void fitAgain(), RETRY);
    return () => clearTimeout(timer);
  }, [fitting, moving, fitAgain]);

  const take = useCallback((answer: RevisedScript) => setRevised((now) => newer(now, answer)), []);
  return { ...revised, fitting, fitAgain, take };
}

/** Answers may come in another order than they were asked for. */
const newer = (a: RevisedScript, b: RevisedScript): RevisedScript => (b.scriptRevision > a.scriptRevision ? b : a);

/**
 * Asks for the script of a class as long as the one that is shown is behind: fits are due after notes, or another device has
 * changed it. Without an answer the class goes on with the script it has, and asks again.
 *
 * @param missing what the script does not show yet, as a text; "" when it shows everything
 */
export function useLatestScript(classId: string, missing: string, take: (script: RevisedScript) => void): void {
  useEffect(() => {
    if (missing === "") return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let gone = false;
    const look = async () => {
      const answer = await ask(`/classes/${classId}/script`, "GET").catch(() => null);
      if (gone) return;
      if (answer) take(answer);
      timer = setTimeout(look, RETRY);
    };
    void look();
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [classId, missing, take]);
}

import type { ClassScript } from "@able-tide/core/class/script";
import { useCallback, useEffect, useRef, useState } from "react";

/** Where today's fit stands: as it should be, being worked out, or waiting for the network. */
export type Fitting = "done" | "working" | "noConnection";

const RETRY = 5000;

/**
 * The script of a class, fitted anew when somebody's day changes it. Without a connection the class goes on with the
 * script it has, and asks again until it is answered or the class moves.
 *
 * @param planned as the page was loaded
 * @param moving whether the class has begun moving, when it keeps what it has
 */
export function useScript(classId: string, planned: ClassScript, moving: boolean) {
  const [script, setScript] = useState(planned);
  const [fitting, setFitting] = useState<Fitting>("done");
  useEffect(() => setScript(planned), [planned]);

  const turn = useRef(0);
  /** Fits anew once what was answered has been sent; only the newest asking says how it went. */
  const fitAgain = useCallback(
    async (sent?: Promise<void>) => {
      turn.current += 1;
      const mine = turn.current;
      setFitting("working");
      try {
        await sent;
        const response = await fetch(`/classes/${classId}/fit`, { method: "POST", headers: { Accept: "application/json" } });
        if (!response.ok) throw new Error(`fitting was answered ${response.status}`);
        const answer: { script: ClassScript } = await response.json();
        if (mine !== turn.current) return;
        setScript(answer.script);
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

  return { script, fitting, fitAgain, setScript };
}

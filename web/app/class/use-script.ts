import { useEffect, useState } from "react";
import { useStore } from "../kit/use-store.ts";
import { createScriptModel, type RevisedScript, type ScriptModel, type ScriptState } from "./script-model.ts";

const RETRY = 5000;
const JSON_PLEASE = { Accept: "application/json" };

async function request(path: string, method: "GET" | "POST"): Promise<RevisedScript> {
  const response = await fetch(path, { method, headers: JSON_PLEASE });
  if (!response.ok) throw new Error(`${path} was answered ${response.status}`);
  return response.json();
}

/**
 * The script of a class, fitted again when someone's day changes it; without a connection again and again until it is
 * answered or the class moves.
 *
 * @param planned as the page was loaded
 * @param moving whether the class has begun moving, when it keeps what it has
 */
export function useScript(
  classId: string,
  planned: RevisedScript,
  moving: boolean,
): ScriptState & Pick<ScriptModel, "fitAgain" | "take"> {
  const [model] = useState(() => createScriptModel(planned, () => request(`/classes/${classId}/fit`, "POST")));
  const state = useStore(model);
  const { fitting } = state;
  useEffect(() => model.take(planned), [model, planned]);

  useEffect(() => {
    if (fitting !== "noConnection" || moving) return;
    const timer = setTimeout(() => void model.fitAgain(), RETRY);
    return () => clearTimeout(timer);
  }, [model, fitting, moving]);

  return { ...state, fitAgain: model.fitAgain, take: model.take };
}

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
      const answer = await request(`/classes/${classId}/script`, "GET").catch(() => null);
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

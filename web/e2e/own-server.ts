import { type ChildProcess, spawn } from "node:child_process";
import { join } from "node:path";

const WEB = join(import.meta.dirname, "..");

export interface OwnServer {
  readonly child: ChildProcess;
  readonly port: number;
  readonly base: string;
  /** The address that founds the first organisation; null where there is one. */
  readonly setUpLink: string | null;
  /** Ends the server at once. */
  readonly kill: () => Promise<void>;
}

/** Starts the built server for one test. @param env what differs from the test run's own */
export function startOwnServer({
  port = 0,
  databaseUrl = process.env["TEST_DATABASE_URL"] ?? "",
  env = {},
}: {
  readonly port?: number;
  readonly databaseUrl?: string;
  readonly env?: Readonly<Record<string, string>>;
} = {}): Promise<OwnServer> {
  const child = spawn(process.execPath, [join(WEB, "serve.mjs"), join(WEB, "build-test"), String(port)], {
    env: { ...process.env, NODE_ENV: "production", DATABASE_URL: databaseUrl, ...env },
    stdio: ["ignore", "pipe", "inherit"],
  });
  const kill = (): Promise<void> =>
    new Promise((resolve) => {
      child.removeAllListeners("exit");
      child.once("exit", () => resolve());
      child.kill("SIGKILL");
    });
  return new Promise((resolve, reject) => {
    child.once("exit", (code) => reject(new Error(`the server ended (${code})`)));
    let said = "";
    child.stdout?.on("data", (chunk: Buffer) => {
      said += chunk;
      const listening = /listening on (\d+)/.exec(said);
      if (!listening) return;
      const own = Number(listening[1]);
      const setUpLink = /https?:\S+\/set-up\/\S+/.exec(said)?.[0] ?? null;
      resolve({ child, port: own, base: `http://127.0.0.1:${own}`, setUpLink, kill });
    });
  });
}

// Runs the built server as a child process.
import { spawn } from "node:child_process";
import { join } from "node:path";
import { ROOT } from "./setup.mjs";

/**
 * Starts the server and waits until it listens.
 *
 * @param options.tell whether what the server says is passed on
 * @returns the child process and the port
 */
export function startServer({ buildFolder, port, databaseUrl, demo = false, tell = false, env = {} }) {
  const child = spawn(
    process.execPath,
    [join(ROOT, "web/serve.mjs"), join(ROOT, "web", buildFolder), String(port), ...(demo ? ["--demo"] : [])],
    { env: { ...process.env, NODE_ENV: "production", DATABASE_URL: databaseUrl, ...env }, stdio: ["ignore", "pipe", "inherit"] },
  );
  return new Promise((resolve, reject) => {
    let said = "";
    child.stdout.on("data", (chunk) => {
      said += chunk;
      if (tell) process.stdout.write(String(chunk).replace(/^listening on \d+\n/m, ""));
      const listening = /listening on (\d+)/.exec(said);
      if (listening) resolve({ child, port: Number(listening[1]) });
    });
    child.once("exit", (code) => reject(new Error(`the server ended (${code}) before it listened`)));
  });
}

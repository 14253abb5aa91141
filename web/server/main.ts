import { createServer } from "node:http";
import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express from "express";
import pino from "pino";
import { RouterContextProvider, type ServerBuild } from "react-router";
import { isAbort } from "../jobs/fit-runner.ts";
import { newSetUpLink, SET_UP_HOURS } from "./accounts/founding.ts";
import { pruneSignIns } from "./accounts/prune.ts";
import { now } from "./clock.ts";
import { database } from "./database.ts";
import { loadDemo } from "./demo/load-demo.ts";
import { addressContext } from "./entrance.ts";
import { startFitThreads, stopFitThreads } from "./fitting/fitting.ts";
import { gatherWrites } from "./gather-writes.ts";
import { INSTALLATION, isTrustedProxy, originOf } from "./installation.ts";
import { loggedPath } from "./logged-path.ts";
import { migrate } from "./migrate.ts";
import { readLibraryAhead } from "./movements/library-ahead.ts";
import { loadMinimumDemand } from "./movements/movement-demand.ts";
import { SHIPPED } from "./movements/shipped.ts";
import { replayErasures } from "./people/erase.ts";
import { pruneSheets } from "./plans/session-sheets.ts";
import { safetyHeaders } from "./safety-headers.ts";

export { foundFromTerminal } from "./found-from-terminal.ts";

const logger = pino({ level: process.env["LOG_LEVEL"] ?? "warn" });

/** Level of compression: pages are made anew for everyone, and the first level saves most of what there is to save. */
const QUICKLY = 1;

/**
 * A server asked to stop ends by itself; one that waits for a silent database this long is ended, milliseconds.
 * Service managers usually kill what has not ended after ten seconds.
 */
const STOP_DEADLINE = 8_000;

/** Expired sessions are deleted so often, milliseconds. */
const PRUNE_EVERY = 60 * 60 * 1000;

/** Brings the database up to date and, when asked for, loads the demo once. */
export async function prepare(options: { readonly demo: boolean }): Promise<void> {
  await migrate(database());
  await replayErasures(database());
  if (options.demo) await loadDemo(database(), now());
}

/** Where the first organisation is founded, while there is none; null where there is one. */
export async function setUpLink(): Promise<{ readonly hours: number; readonly addressAt: (port: number) => string } | null> {
  const token = await newSetUpLink(database(), now());
  if (token === null) return null;
  return {
    hours: SET_UP_HOURS,
    addressAt: (port) => `${originOf(INSTALLATION, `http://127.0.0.1:${port}`)}/set-up/${token}`,
  };
}

function pruneRegularly(): void {
  const prune = () => {
    pruneSignIns(database(), now()).catch((error: unknown) => logger.warn(error, "expired sessions"));
    pruneSheets(database(), now()).catch((error: unknown) => logger.warn(error, "old session sheets"));
  };
  prune();
  setInterval(prune, PRUNE_EVERY).unref();
}

/**
 * Serves the built application.
 *
 * @param clientFolder the built browser files
 * @param fitThread the built entry of the threads that compute fits
 * @param libraryAhead what the build has worked out of the library
 * @returns the port it listens on, on loopback
 */
export async function serve(options: {
  readonly port: number;
  readonly clientFolder: string;
  readonly fitThread: string;
  readonly libraryAhead: string;
}): Promise<number> {
  const app = express();
  app.disable("x-powered-by");
  if (INSTALLATION.address) app.set("trust proxy", isTrustedProxy);
  app.use(safetyHeaders(INSTALLATION));
  app.use(compression({ level: QUICKLY }));
  app.use("/assets", express.static(`${options.clientFolder}/assets`, { immutable: true, maxAge: "1y" }));
  app.use(express.static(options.clientFolder, { maxAge: "1h" }));
  // After the files, which are read no faster than they are sent.
  app.use(gatherWrites);
  app.use((request, response, next) => {
    response.on("finish", () => {
      logger.info({ method: request.method, path: loggedPath(request.path), status: response.statusCode });
    });
    next();
  });
  app.use(
    createRequestHandler({
      // The build itself and not a function that gives it: the router would be made anew for every request.
      build: (await import("virtual:react-router/server-build")) as unknown as ServerBuild,
      getLoadContext: (request) => {
        const context = new RouterContextProvider();
        context.set(addressContext, request.ip ?? "unknown");
        return context;
      },
    }),
  );

  await readLibraryAhead(options.libraryAhead);
  startFitThreads(options.fitThread);
  const server = createServer(app);
  await new Promise<void>((resolve, reject) => {
    server.once("error", reject);
    server.listen(options.port, "127.0.0.1", resolve);
  });
  const stop = async () => {
    setTimeout(() => {
      logger.warn("ended with work unfinished: the database did not answer in time");
      process.exit(1);
    }, STOP_DEADLINE).unref();
    server.close();
    server.closeAllConnections();
    await Promise.all([stopFitThreads(), database().destroy()]);
    process.exit(0);
  };
  process.once("SIGTERM", stop);
  process.once("SIGINT", stop);
  // What the library can be made to ask is worked out, or read, while no one waits for it.
  void loadMinimumDemand(database(), SHIPPED, now).catch((error: unknown) => {
    if (!isAbort(error)) logger.warn(error, "form summaries");
  });
  pruneRegularly();
  const address = server.address();
  return typeof address === "object" && address !== null ? address.port : options.port;
}

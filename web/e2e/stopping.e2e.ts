import { once } from "node:events";
import { type AddressInfo, connect, createServer, type Socket } from "node:net";
import { afterEach, expect, test } from "vitest";
import { type OwnServer, startOwnServer } from "./own-server.ts";

/** A server is started and ended beside everything else that is tested. Milliseconds. */
const SERVER_STARTS_AND_ENDS_IN = 120_000;

/** Stands between a server and the database, and can keep the answers back without closing a connection. */
class Relay {
  readonly #database: URL;
  readonly #sockets = new Set<Socket>();
  readonly #server = createServer((near) => this.#join(near));
  #silent = false;
  #asked: () => void = () => {};

  constructor(databaseUrl: string) {
    this.#database = new URL(databaseUrl);
  }

  #join(near: Socket): void {
    const far = connect(Number(this.#database.port), this.#database.hostname);
    for (const socket of [near, far]) this.#sockets.add(socket.on("error", () => {}));
    near.on("data", (query) => {
      far.write(query);
      if (this.#silent) this.#asked();
    });
    far.on("data", (answer) => {
      if (!this.#silent) near.write(answer);
    });
    near.on("close", () => far.destroy());
    far.on("close", () => near.destroy());
  }

  /** @returns the database's address through this relay */
  async open(): Promise<string> {
    await once(this.#server.listen(0, "127.0.0.1"), "listening");
    const url = new URL(this.#database);
    url.hostname = "127.0.0.1";
    url.port = String((this.#server.address() as AddressInfo).port);
    return url.href;
  }

  /** Keeps every answer back from now on. @returns when the next query has come */
  fallSilent(): Promise<void> {
    this.#silent = true;
    return new Promise((resolve) => {
      this.#asked = resolve;
    });
  }

  close(): void {
    this.#server.close();
    for (const socket of this.#sockets) socket.destroy();
  }
}

let server: OwnServer | null = null;
let relay: Relay | null = null;

afterEach(async () => {
  if (server && server.child.exitCode === null) await server.kill();
  relay?.close();
  server = null;
  relay = null;
});

async function askToStop({ child }: OwnServer): Promise<number | null> {
  child.removeAllListeners("exit");
  const ended = once(child, "exit");
  child.kill("SIGTERM");
  const [code] = (await ended) as [number | null];
  return code;
}

test(
  "a server asked to stop ends by itself",
  async () => {
    server = await startOwnServer();
    expect((await fetch(`${server.base}/sign-in`)).status).toBe(200);
    expect(await askToStop(server)).toBe(0);
  },
  SERVER_STARTS_AND_ENDS_IN,
);

test(
  "a server asked to stop ends though its database no longer answers",
  async () => {
    relay = new Relay(process.env["TEST_DATABASE_URL"] ?? "");
    server = await startOwnServer({ databaseUrl: await relay.open() });
    const asked = relay.fallSilent();
    const unanswered = fetch(`${server.base}/health`).catch(() => null);
    await asked;
    expect(await askToStop(server)).toBe(1);
    expect(await unanswered).toBeNull();
  },
  SERVER_STARTS_AND_ENDS_IN,
);

import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { type IncomingHttpHeaders, request as plainRequest } from "node:http";
import { request } from "node:https";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { outbox } from "../server/accounts/invitations.ts";
import { openBrowser, openPage, seeText, signInByKeys } from "./browser.ts";
import { ownOrganisation, type TestOrganisation } from "./organisation.ts";
import { startOwnServer } from "./own-server.ts";

const ROOT = join(import.meta.dirname, "../..");
const RUNNING = readFileSync(join(ROOT, "docs/running.md"), "utf8");
const EVIL = "evil.example";

/** A block of docs/running.md: what is written there is what is tried here. */
function blockOf(language: string): string {
  const found = new RegExp(`^\`\`\`${language}\\n([\\s\\S]*?)^\`\`\`$`, "m").exec(RUNNING)?.[1];
  if (!found) throw new Error(`docs/running.md has no block of ${language}`);
  return found;
}

/** Replaces what differs on this machine. @throws where it is not in the text, so that nothing else is tried by mistake */
function withOwn(text: string, changes: Readonly<Record<string, string>>): string {
  return Object.entries(changes).reduce((changed, [from, to]) => {
    if (!changed.includes(from)) throw new Error(`docs/running.md does not say ${from}`);
    return changed.replaceAll(from, to);
  }, text);
}

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === "object" && address ? address.port : 0));
    });
  });

let folder: string;
let organisation: TestOrganisation;
let ports: { readonly plain: number; readonly tls: number; readonly first: number; readonly second: number };
let processes: ChildProcess[] = [];
let proxy: ChildProcess;
let address: string;

/** Starts the unit's command, for a port, in the environment of the environment file. */
function startUnit(port: number): Promise<ChildProcess> {
  const environment = Object.fromEntries(
    withOwn(blockOf("ini env"), {
      "postgres://able-tide@localhost/able_tide?host=/var/run/postgresql": process.env["TEST_DATABASE_URL"] ?? "",
      "https://tide.example.org": address,
    })
      .trim()
      .split("\n")
      .map((line) => [line.slice(0, line.indexOf("=")), line.slice(line.indexOf("=") + 1)] as const),
  );
  const command = /^ExecStart=(.*)$/m.exec(blockOf("ini unit"))?.[1] ?? "";
  const [program, ...args] = withOwn(command, {
    "/usr/bin/node": process.execPath,
    "web/build": "web/build-test",
    "%i": `${port}`,
  }).split(" ");
  const child = spawn(program ?? "", args, {
    cwd: ROOT,
    env: { ...process.env, ...environment },
    stdio: ["ignore", "pipe", "inherit"],
  });
  return new Promise((resolve, reject) => {
    child.once("exit", (code) => reject(new Error(`the process ended (${code})`)));
    child.stdout?.on("data", (chunk: Buffer) => {
      if (String(chunk).includes("listening on")) resolve(child);
    });
  });
}

async function startProxy(): Promise<ChildProcess> {
  const [certificate, key] = [join(folder, "certificate.pem"), join(folder, "key.pem")];
  const subject = ["-subj", "/CN=localhost", "-addext", "subjectAltName=DNS:localhost"];
  const options = [
    "req",
    "-x509",
    "-newkey",
    "rsa:2048",
    "-nodes",
    "-days",
    "2",
    "-keyout",
    key,
    "-out",
    certificate,
    ...subject,
  ];
  const made = spawnSync("openssl", options, { encoding: "utf8" });
  if (made.status !== 0) throw new Error(made.stderr);
  const server = withOwn(blockOf("nginx"), {
    "127.0.0.1:4601": `127.0.0.1:${ports.first}`,
    "127.0.0.1:4602": `127.0.0.1:${ports.second}`,
    "listen 80;": `listen 127.0.0.1:${ports.plain};`,
    "listen 443 ": `listen 127.0.0.1:${ports.tls} `,
    "tide.example.org": "localhost",
    "/etc/ssl/able-tide/certificate.pem": certificate,
    "/etc/ssl/able-tide/key.pem": key,
    "/var/log/nginx/able-tide.log": join(folder, "error.log"),
  });
  const temporary = ["client_body", "proxy", "fastcgi", "uwsgi", "scgi"].map((name) => `${name}_temp_path ${folder}/${name};`);
  const user = process.getuid?.() === 0 ? "user root;" : "";
  const main = `${user} pid ${folder}/nginx.pid; error_log ${folder}/error.log crit; events {} http { access_log ${folder}/access.log; ${temporary.join(" ")}\n${server}\n}`;
  const file = join(folder, "nginx.conf");
  writeFileSync(file, main);
  // A variable of this name would tell the program of sockets that it should take over.
  const { NGINX: program = "nginx", ...env } = process.env;
  const child = spawn(program, ["-c", file, "-p", folder, "-g", "daemon off;"], { stdio: "inherit", env });
  for (let tries = 0; tries < 50; tries += 1) {
    const answered = await ask("/health").catch(() => null);
    if (answered?.status === 200) return child;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error("nginx did not start");
}

interface Answer {
  readonly status: number;
  readonly headers: IncomingHttpHeaders;
  readonly text: string;
}

/** Asks through the proxy. @param from the client's own address on loopback */
function ask(
  path: string,
  {
    form,
    headers = {},
    from = "127.0.0.1",
  }: { form?: Record<string, string>; headers?: Record<string, string>; from?: string } = {},
): Promise<Answer> {
  const body = form === undefined ? "" : new URLSearchParams(form).toString();
  const type =
    form === undefined ? {} : { "Content-Type": "application/x-www-form-urlencoded", "Content-Length": `${body.length}` };
  return new Promise((resolve, reject) => {
    const sent = request(
      {
        host: "localhost",
        port: ports.tls,
        path,
        method: form === undefined ? "GET" : "POST",
        headers: { ...type, ...headers },
        localAddress: from,
        family: 4,
        rejectUnauthorized: false,
      },
      (response) => {
        let text = "";
        response.on("data", (chunk) => {
          text += chunk;
        });
        response.on("end", () => resolve({ status: response.statusCode ?? 0, headers: response.headers, text }));
      },
    );
    sent.on("error", reject);
    sent.end(body);
  });
}

/** Asks a process itself, without the proxy. */
const askPlainly = (port: number, path: string, headers: Record<string, string> = {}): Promise<Answer> =>
  new Promise((resolve, reject) => {
    plainRequest({ host: "127.0.0.1", port, path, headers }, (response) => {
      let text = "";
      response.on("data", (chunk) => {
        text += chunk;
      });
      response.on("end", () => resolve({ status: response.statusCode ?? 0, headers: response.headers, text }));
    })
      .on("error", reject)
      .end();
  });

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "able-tide-proxy-"));
  organisation = await ownOrganisation("Proxied Harbour");
  ports = { plain: await freePort(), tls: await freePort(), first: await freePort(), second: await freePort() };
  address = `https://localhost:${ports.tls}`;
  processes = await Promise.all([startUnit(ports.first), startUnit(ports.second)]);
  proxy = await startProxy();
});
afterAll(async () => {
  proxy?.kill("SIGTERM");
  for (const child of processes) child.removeAllListeners("exit").kill("SIGKILL");
  await organisation?.close();
  rmSync(folder, { recursive: true, force: true });
});

describe("behind nginx with TLS", () => {
  test("cookies are this host's own and come with TLS only; browsers are told to come with TLS", async () => {
    const { email, password } = organisation;
    const { status, headers } = await ask("/sign-in", { form: { email, password }, headers: { Origin: address } });
    expect(status).toBe(302);
    const cookies = headers["set-cookie"] ?? [];
    expect(cookies.map((cookie) => cookie.split("=")[0])).toEqual(["__Host-able-tide", "__Host-able-tide-device"]);
    for (const cookie of cookies) {
      for (const part of ["Secure", "HttpOnly", "Path=/", "SameSite=Lax"]) expect(cookie).toContain(part);
      expect(cookie).not.toContain("Domain");
    }
    expect(headers["strict-transport-security"]).toBe("max-age=31536000");
    expect(headers["permissions-policy"]).toContain("accelerometer=(self)");
    expect(headers["permissions-policy"]).toContain("camera=()");
  });

  test("a plain request is led to the address with TLS", async () => {
    const { status, headers } = await askPlainly(ports.plain, "/people?name=ada", { Host: "localhost" });
    expect([status, headers.location]).toEqual([301, "https://localhost/people?name=ada"]);
  });

  test("a form of another site is refused, and requests that name another host too", async () => {
    const form = { email: "a@b.example", password: "wrong" };
    expect((await ask("/sign-in", { form, headers: { Origin: `https://${EVIL}` } })).status).toBe(400);
    expect((await ask("/sign-in", { headers: { Host: EVIL } })).status).toBe(421);
    const direct = await askPlainly(ports.first, "/sign-in");
    expect(direct.status).toBe(421);
    expect(direct.text).toContain(`Able Tide is at ${address}`);
  });

  test("the client's address is what the proxy says, not what the client says", async () => {
    const from = "127.0.0.77";
    const said = "203.0.113.9";
    const form = { email: "no-one@harbour.example", password: "wrong" };
    await ask("/sign-in", { form, from, headers: { "X-Forwarded-For": said, "X-Real-IP": said } });
    const tries = await organisation.scope.database("sign_in_tries").select<{ key: string }[]>("key");
    const isCounted = (who: string) =>
      tries.some(({ key }) => key.endsWith(createHash("sha256").update(who).digest("base64url")));
    expect([isCounted(from), isCounted(said)]).toEqual([true, false]);
  });

  test("links in letters lead to the address that people open", async () => {
    const { status } = await ask("/forgotten", { form: { email: organisation.email }, headers: { "X-Forwarded-Host": EVIL } });
    expect(status).toBe(200);
    const [letter] = await outbox(organisation.scope);
    expect(letter?.body).toContain(`${address}/reset/`);
  });

  test("a browser signs in, keeps its cookies, and gives what it gives with TLS only", async () => {
    const problems: string[] = [];
    const browser = await openBrowser("--ignore-certificate-errors");
    try {
      const page = await openPage(browser, problems);
      await signInByKeys(page, address, organisation);
      await page.goto(`${address}/people`);
      await seeText(page, "No participants yet");
      expect(await page.evaluate(() => [isSecureContext, typeof crypto.randomUUID])).toEqual([true, "function"]);
    } finally {
      await browser.close();
    }
    expect(problems).toEqual([]);
  });

  test("where one process ends, the other answers", async () => {
    processes[0]?.removeAllListeners("exit").kill("SIGKILL");
    const statuses = await Promise.all(Array.from({ length: 12 }, async () => (await ask("/sign-in")).status));
    expect(new Set(statuses)).toEqual(new Set([200]));
  });
});

describe("without TLS", () => {
  test("a plain address on a network is refused with a sentence, by the page and at the start", async () => {
    const server = await startOwnServer();
    try {
      const { status, text } = await askPlainly(server.port, "/sign-in", { Host: `192.168.1.20:${server.port}` });
      expect(status).toBe(421);
      expect(text).toContain("Able Tide needs an address that begins with https://");
    } finally {
      await server.kill();
    }
    const args = [join(ROOT, "web/serve.mjs"), join(ROOT, "web/build-test"), "0"];
    const env = {
      ...process.env,
      DATABASE_URL: process.env["TEST_DATABASE_URL"] ?? "",
      PUBLIC_ADDRESS: "http://192.168.1.20:4600",
    };
    const started = spawnSync(process.execPath, args, { env, encoding: "utf8" });
    expect(started.status).not.toBe(0);
    expect(started.stderr).toContain("Able Tide needs an address that begins with https://");
  });
});

test.runIf(spawnSync("systemd-analyze", ["--version"]).status === 0)("systemd reads the unit without a complaint", () => {
  const file = join(folder, "able-tide@4601.service");
  writeFileSync(file, withOwn(blockOf("ini unit"), { "/usr/bin/node": process.execPath, "%i": "4601" }));
  const { stderr } = spawnSync("systemd-analyze", ["verify", file], { encoding: "utf8" });
  expect(stderr.split("\n").filter((line) => line.includes(file))).toEqual([]);
});

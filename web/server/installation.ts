/** How an installation is reached, and what it lets anyone do; read from the environment when the server starts. */
export interface Installation {
  /** The address that people open, served by a proxy with TLS; null where only this machine's own browser opens it. */
  readonly address: URL | null;
  /** Whether anyone who can open it may found an organisation. */
  readonly openFounding: boolean;
}

type Environment = Readonly<Record<string, string | undefined>>;

/** Why an address without TLS is refused. */
export const NEEDS_TLS =
  "Able Tide needs an address that begins with https://. Without TLS, browsers give no work offline, no sensors and no random ids, " +
  "and passwords could be read on the way. docs/running.md shows how to set up a proxy with TLS.";

function addressOf(text: string | undefined): URL | null {
  if (text === undefined || text === "") return null;
  const address = URL.canParse(text) ? new URL(text) : null;
  if (address === null || address.pathname !== "/" || address.search !== "" || address.hash !== "")
    throw new Error(`PUBLIC_ADDRESS is "${text}". Write the whole address and no path, such as https://tide.example.org`);
  if (address.protocol !== "https:") throw new Error(`PUBLIC_ADDRESS is "${text}". ${NEEDS_TLS}`);
  return address;
}

/**
 * Reads PUBLIC_ADDRESS and FOUNDING.
 *
 * @throws with a sentence to show where one of them cannot be used
 */
export function readInstallation(environment: Environment): Installation {
  const founding = environment["FOUNDING"] ?? "closed";
  if (founding !== "closed" && founding !== "open") throw new Error(`FOUNDING is "${founding}". Write open or closed.`);
  return { address: addressOf(environment["PUBLIC_ADDRESS"]), openFounding: founding === "open" };
}

/** This process's installation. */
export const INSTALLATION = readInstallation(process.env);

const LOOPBACK = /^(localhost|127(\.\d{1,3}){3}|\[::1\])$/;

/** Whether an address without a proxy is one of this machine's own, such as "127.0.0.1:4600". */
function isOnLoopback(host: string): boolean {
  const url = `http://${host}`;
  return URL.canParse(url) && LOOPBACK.test(new URL(url).hostname);
}

/** Whether a request that was sent to a host may be answered. @param host as its Host header says it, with the port */
export const answersHost = ({ address }: Pick<Installation, "address">, host: string): boolean =>
  address ? host.toLowerCase() === address.host : isOnLoopback(host);

/** The origin of links that are given to people. @param asked the address that a request asked for */
export const originOf = ({ address }: Pick<Installation, "address">, asked: string): string =>
  address ? address.origin : new URL(asked).origin;

/** Whether a peer is the proxy, whose word on where a request came from is taken: it is on this machine, and the last hop. */
export const isTrustedProxy = (peer: string, hop: number): boolean =>
  hop === 0 && /^(127(\.\d{1,3}){3}|::1|::ffff:127(\.\d{1,3}){3})$/.test(peer);

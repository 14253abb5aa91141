import { describe, expect, test } from "vitest";
import { answersHost, isTrustedProxy, NEEDS_TLS, originOf, readInstallation } from "./installation.ts";

describe("what an installation is told", () => {
  test("nothing: this machine alone, and no founding", () =>
    expect(readInstallation({})).toEqual({ address: null, openFounding: false }));

  test("an address with TLS", () =>
    expect(readInstallation({ PUBLIC_ADDRESS: "https://tide.example.org", FOUNDING: "open" })).toEqual({
      address: new URL("https://tide.example.org"),
      openFounding: true,
    }));

  test.each([
    ["PUBLIC_ADDRESS", "http://192.168.1.20:4600", NEEDS_TLS],
    ["PUBLIC_ADDRESS", "tide.example.org", "Write the whole address"],
    ["PUBLIC_ADDRESS", "https://tide.example.org/able", "no path"],
    ["FOUNDING", "yes", "Write open or closed"],
  ])("%s=%s is refused with a sentence", (name, value, sentence) =>
    expect(() => readInstallation({ [name]: value })).toThrow(sentence),
  );
});

const proxied = { address: new URL("https://tide.example.org") };
const alone = { address: null };

test.each([
  [alone, "127.0.0.1:4600", true],
  [alone, "localhost:4600", true],
  [alone, "[::1]:4600", true],
  [alone, "192.168.1.20:4600", false],
  [alone, "127.0.0.1.evil.example", false],
  [alone, "", false],
  [proxied, "tide.example.org", true],
  [proxied, "Tide.Example.org", true],
  [proxied, "tide.example.org:4600", false],
  [proxied, "127.0.0.1:4601", false],
  [proxied, "evil.example", false],
])("%o answers requests to %s: %s", (installation, host, answered) => expect(answersHost(installation, host)).toBe(answered));

test("links lead to the address that people open, whatever host a request names", () => {
  expect(originOf(proxied, "http://evil.example/forgotten")).toBe("https://tide.example.org");
  expect(originOf(alone, "http://127.0.0.1:4600/forgotten")).toBe("http://127.0.0.1:4600");
});

test.each([
  ["127.0.0.1", 0, true],
  ["::1", 0, true],
  ["::ffff:127.0.0.1", 0, true],
  ["127.0.0.1", 1, false],
  ["192.168.1.7", 0, false],
])("%s at hop %i is trusted: %s", (peer, hop, trusted) => expect(isTrustedProxy(peer, hop)).toBe(trusted));

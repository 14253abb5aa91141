import { expect, test } from "vitest";
import { deviceName } from "./device-name.ts";

test.each([
  ["Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36", "Chrome on Linux"],
  ["Mozilla/5.0 (Android 15; Mobile; rv:140.0) Gecko/140.0 Firefox/140.0", "Firefox on Android"],
  ["node", ""],
  ["", ""],
  [null, ""],
])("%j is %j", (userAgent, name) => expect(deviceName(userAgent)).toBe(name));

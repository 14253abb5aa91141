import { expect, test } from "vitest";
import { loggedPath } from "./logged-path.ts";

test.each([
  ["/invitation/kZ3_secret", "/invitation/…"],
  ["/invitation/kZ3_secret.data", "/invitation/…"],
  ["/reset/kZ3_secret", "/reset/…"],
  ["/calendar/kZ3-secret.ics", "/calendar/…"],
  ["/calendar/sessions.ics", "/calendar/sessions.ics"],
  ["/calendar", "/calendar"],
  ["/people/2f8c/page", "/people/2f8c/page"],
])("%s is logged as %s", (path, logged) => expect(loggedPath(path)).toBe(logged));

import Bowser from "bowser";

/** A browser and its system in words, such as "Firefox on Android"; "" where they cannot be told. @param userAgent the header */
export function deviceName(userAgent: string | null): string {
  if (userAgent === null || userAgent === "") return "";
  const { browser, os } = Bowser.parse(userAgent.slice(0, 500));
  return [browser.name, os.name].filter(Boolean).join(" on ").slice(0, 80);
}

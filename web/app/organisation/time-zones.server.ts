/** IANA names of time zones to choose from, by name. */
export const timeZoneNames = (): string[] => [...new Set([...Intl.supportedValuesOf("timeZone"), "UTC"])].sort();

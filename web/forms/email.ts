import * as v from "valibot";

const SENTENCE = "Enter a full email address, such as name@example.org.";

/** The longest address that mail can be sent to (RFC 5321, 4.5.3.1.3, without its brackets). */
const LONGEST = 254;

/** An email address as someone types it, in small letters without blanks around it. */
export const email = v.pipe(v.string(SENTENCE), v.trim(), v.toLowerCase(), v.maxLength(LONGEST, SENTENCE), v.email(SENTENCE));

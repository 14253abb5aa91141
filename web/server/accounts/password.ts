import { hash, verify } from "@node-rs/argon2";

/** argon2id with the library's defaults, which follow the OWASP recommendation (19 MiB, two passes). */
export const hashPassword = (password: string): Promise<string> => hash(password);

export const passwordMatches = (passwordHash: string, password: string): Promise<boolean> => verify(passwordHash, password);

import type { Knex } from "knex";
import { connect } from "../server/database.ts";

export interface OwnDatabase {
  readonly url: string;
  readonly database: Knex;
  readonly drop: () => Promise<void>;
}

/** Makes an empty database for one test in the tests' cluster. @param name letters, digits and underscores */
export async function ownDatabase(name: string): Promise<OwnDatabase> {
  const adminUrl = process.env["TEST_DATABASE_URL"] ?? "";
  const admin = connect(adminUrl);
  await admin.raw(`drop database if exists ${name} with (force)`);
  await admin.raw(`create database ${name}`);
  const url = adminUrl.replace(/[^/]+$/, name);
  const database = connect(url);
  return {
    url,
    database,
    drop: async () => {
      await database.destroy();
      await admin.raw(`drop database if exists ${name} with (force)`);
      await admin.destroy();
    },
  };
}

import { randomUUID } from "node:crypto";
import type { CapDecision } from "@able-tide/core/caps/decision";
import type { ProposedCap } from "@able-tide/core/caps/propose";
import { ofPerson, recordValues } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";
import type { FileKind } from "./file-kind.ts";
import { saveDecisions } from "./record-limitation.ts";

/** A clinician's word on a limitation: by their own sign-in, or from a letter. */
export interface Clearance {
  readonly id: string;
  readonly limitationId: string;
  readonly day: string;
  readonly clinician: string;
  readonly says: string;
  readonly ownSignIn: boolean;
  readonly enteredBy: string;
  readonly file: { readonly name: string; readonly mediaType: string } | null;
}

export interface ClearanceInput {
  readonly limitationId: string;
  readonly day: string;
  readonly clinician: string;
  readonly says: string;
  readonly file: { readonly name: string; readonly kind: FileKind; readonly content: Buffer } | null;
}

/** Every clearance of a person, oldest first, without the files. */
export async function clearancesOf(scope: Scope, personId: string): Promise<Clearance[]> {
  const rows = await scope
    .database("clearances")
    .join({ enterer: "accounts" }, "enterer.id", "clearances.created_by")
    .leftJoin("clearance_files", function join() {
      this.on("clearance_files.organisation_id", "clearances.organisation_id").andOn(
        "clearance_files.clearance_id",
        "clearances.id",
      );
    })
    .where({ "clearances.organisation_id": scope.organisationId, "clearances.person_id": personId })
    .orderBy([{ column: "clearances.created_at" }, { column: "clearances.id" }])
    .select("clearances.*", "enterer.name as entered_by", "clearance_files.name as file_name", "clearance_files.media_type");
  return rows.map((row) => ({
    id: row.id,
    limitationId: row.limitation_id,
    day: row.day,
    clinician: row.clinician,
    says: row.says,
    ownSignIn: row.own_sign_in,
    enteredBy: row.entered_by,
    file: row.file_name === null ? null : { name: row.file_name, mediaType: row.media_type },
  }));
}

/** The file of a clearance, for the person it belongs to; null where there is none. */
export async function clearanceFile(
  scope: Scope,
  personId: string,
  clearanceId: string,
): Promise<{ readonly name: string; readonly mediaType: string; readonly content: Buffer } | null> {
  const row = await scope
    .database("clearance_files")
    .join("clearances", function join() {
      this.on("clearances.organisation_id", "clearance_files.organisation_id").andOn(
        "clearances.id",
        "clearance_files.clearance_id",
      );
    })
    .where({
      "clearance_files.organisation_id": scope.organisationId,
      "clearance_files.clearance_id": clearanceId,
      "clearances.person_id": personId,
    })
    .first("clearance_files.name", "clearance_files.media_type", "clearance_files.content");
  return row ? { name: row.name, mediaType: row.media_type, content: row.content } : null;
}

/**
 * Enters a clearance with the caps that follow from it, in one transaction. The caps are absolute: the clinician set them.
 *
 * @returns the clearance's id, or null if the person has no such limitation
 */
export async function enterClearance(
  scope: Scope,
  personId: string,
  input: ClearanceInput,
  proposals: readonly ProposedCap[],
  decisions: readonly CapDecision[],
): Promise<string | null> {
  return scope.database.transaction(async (transaction) => {
    const within = { ...scope, database: transaction };
    const limitation = await transaction("limitations")
      .where({ organisation_id: scope.organisationId, person_id: personId, id: input.limitationId })
      .whereNull("ended_at")
      .first("id");
    if (!limitation) return null;
    const id = randomUUID();
    await transaction("clearances").insert({
      organisation_id: scope.organisationId,
      id,
      person_id: personId,
      limitation_id: input.limitationId,
      day: input.day,
      clinician: input.clinician,
      says: input.says,
      own_sign_in: scope.role === "clinician",
      created_by: scope.accountId,
      created_at: scope.now(),
    });
    if (input.file)
      await transaction("clearance_files").insert({
        organisation_id: scope.organisationId,
        clearance_id: id,
        name: input.file.name,
        media_type: input.file.kind,
        content: input.file.content,
      });
    const { day, clinician, says } = input;
    await recordValues(within, "added", ofPerson(personId), { clearance: { day, clinician, says } });
    await saveDecisions(within, personId, input.limitationId, { id, clinician: input.clinician }, proposals, decisions);
    return id;
  });
}

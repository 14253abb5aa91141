import { type Policy, QUESTIONS, USUAL_POLICY, USUAL_THRESHOLDS } from "@able-tide/core/caps/policy";
import { recordChange } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";

export interface StoredPolicy extends Policy {
  readonly version: number;
  readonly changedBy: string | null;
}

/** The organisation's policy: the usual one until someone made it stricter. */
export async function findPolicy(scope: Scope): Promise<StoredPolicy> {
  const row = await scope
    .database("policies")
    .join({ changer: "accounts" }, "changer.id", "policies.changed_by")
    .where({ organisation_id: scope.organisationId })
    .first("policies.policy", "policies.version", "changer.name as changed_by_name");
  if (!row) return { ...USUAL_POLICY, version: 0, changedBy: null };
  const { thresholds, questions } = row.policy as Policy;
  return {
    thresholds: { ...USUAL_THRESHOLDS, ...thresholds },
    questions: questions.filter((question) => QUESTIONS.includes(question)),
    version: row.version,
    changedBy: row.changed_by_name,
  };
}

async function keepPolicyChange(scope: Scope, changed: boolean, before: Policy, after: Policy): Promise<"changed" | "moved on"> {
  if (!changed) return "moved on";
  const fieldsOf = ({ thresholds, questions }: Policy) => ({ ...thresholds, questions });
  await recordChange(scope, { subject: "policy", id: scope.organisationId }, fieldsOf(before), fieldsOf(after));
  return "changed";
}

/** @returns whether it was changed, or someone else has changed it in the meantime */
export async function changePolicy(scope: Scope, version: number, policy: Policy): Promise<"changed" | "moved on"> {
  const before = await findPolicy(scope);
  const columns = {
    policy: JSON.stringify(policy),
    version: version + 1,
    changed_by: scope.accountId,
    changed_at: scope.now(),
  };
  if (version === 0) {
    const added = await scope
      .database("policies")
      .insert({ organisation_id: scope.organisationId, ...columns })
      .onConflict("organisation_id")
      .ignore()
      .returning("version");
    return keepPolicyChange(scope, added.length > 0, before, policy);
  }
  const changed = await scope.database("policies").where({ organisation_id: scope.organisationId, version }).update(columns);
  return keepPolicyChange(scope, changed === 1, before, policy);
}

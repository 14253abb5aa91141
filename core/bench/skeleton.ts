import { Bone, Skeleton } from "three";

/** As many bones as the body model has segments: pelvis, abdomen, thorax, head, and six on each side. */
const CHAINS = [
  ["pelvis", "abdomen", "thorax", "head"],
  ["thorax", "leftUpperArm", "leftForearm", "leftHand"],
  ["thorax", "rightUpperArm", "rightForearm", "rightHand"],
  ["pelvis", "leftThigh", "leftShank", "leftFoot"],
  ["pelvis", "rightThigh", "rightShank", "rightFoot"],
] as const;

function bones(): Bone[] {
  const named = new Map<string, Bone>();
  for (const chain of CHAINS)
    chain.forEach((name, i) => {
      if (named.has(name)) return;
      const bone = new Bone();
      bone.position.set(0, 0.2, 0);
      named.set(name, bone);
      named.get(chain[i - 1] ?? "")?.add(bone);
    });
  return [...named.values()];
}

/** Turns every bone and updates the world and bone matrices of the skeleton: what a picture of a body costs elsewhere. */
export function skeletonUpdater(): (turn: number) => void {
  const all = bones();
  const skeleton = new Skeleton(all);
  return (turn) => {
    for (const bone of all) bone.rotation.set(turn, 0.5 * turn, 0.1);
    all[0]?.updateMatrixWorld(true);
    skeleton.update();
  };
}

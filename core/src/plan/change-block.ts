import type { Block } from "./block.ts";

/** What differs in a block; undefined takes a part out. */
export type BlockChange = { readonly [Part in keyof Omit<Block, "id" | "movementId">]?: Block[Part] | undefined };

/** A block with some parts changed or taken out. */
export const changeBlock = (block: Block, differs: BlockChange): Block =>
  Object.fromEntries(Object.entries({ ...block, ...differs }).filter(([, value]) => value !== undefined)) as unknown as Block;

/** A block id that a plan does not have yet. */
export function newBlockId(blocks: readonly Block[]): string {
  const numbers = blocks.map((block) => Number(/^b(\d+)$/.exec(block.id)?.[1] ?? 0));
  return `b${Math.max(0, ...numbers) + 1}`;
}

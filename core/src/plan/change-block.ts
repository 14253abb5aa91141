import type { Block } from "./block.ts";

/** What differs in a block; undefined takes a part out. */
export type BlockChange = { readonly [Part in keyof Omit<Block, "id" | "movementId">]?: Block[Part] | undefined };

/** A block with some parts changed or taken out. */
export const changeBlock = (block: Block, differs: BlockChange): Block =>
  Object.fromEntries(Object.entries({ ...block, ...differs }).filter(([, value]) => value !== undefined)) as unknown as Block;

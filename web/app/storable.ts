/** Whether the database can store a text as it is: without NUL and without half a character. */
const isStorableText = (text: string): boolean => !text.includes("\0") && text.isWellFormed();

/**
 * Whether every text in a value can be stored, names of fields included.
 *
 * @param value anything that JSON can say, however deeply nested
 */
export function isStorable(value: unknown): boolean {
  const left: unknown[] = [value];
  while (left.length > 0) {
    const each = left.pop();
    if (typeof each === "string") {
      if (!isStorableText(each)) return false;
    } else if (Array.isArray(each)) {
      for (const item of each) left.push(item);
    } else if (typeof each === "object" && each !== null) {
      for (const [name, item] of Object.entries(each)) left.push(name, item);
    }
  }
  return true;
}

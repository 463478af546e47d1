/**
 * A whole number from 0 that is always the same for the same words: what is drawn by it can be
 * drawn again (FNV-1a).
 */
export function seedOf(words: string): number {
  let h = 2166136261;
  for (const c of words) h = Math.imul(h ^ c.charCodeAt(0), 16777619);
  return (h ^ (h >>> 15)) >>> 0;
}

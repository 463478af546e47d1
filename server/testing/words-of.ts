/** All words of a document, in order, without its drawing. */
export function wordsOf(value: unknown): string[] {
  if (typeof value === 'string') return [value];
  if (Array.isArray(value)) return value.flatMap(wordsOf);
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, v]) =>
    ['text', 'content', 'table', 'body', 'columns', 'stack', 'ul'].includes(key) ? wordsOf(v) : [],
  );
}

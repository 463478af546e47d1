/** A name for a new one that no other of the list has, made from what it is called. */
function freshId(label: string, taken: readonly string[], otherwise: string): string {
  const base =
    label
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 40) || otherwise;
  let id = base;
  for (let n = 2; taken.includes(id); n += 1) id = `${base}-${n}`;
  return id;
}

/** Things of a list with a name each: a new one (called NEW until now) is given one of its own. */
export const NEW = 'new';
export const withIds = <T extends { id: string; label: string }>(
  items: readonly T[],
  otherwise: string,
): T[] => {
  const taken = items.filter((x) => x.id !== NEW).map((x) => x.id);
  return items.map((x) => (x.id === NEW ? { ...x, id: freshId(x.label, taken, otherwise) } : x));
};

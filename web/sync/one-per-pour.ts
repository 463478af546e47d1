/** The same thing for the same pour, for the whole page: made when it is first asked for. */
export function onePerPour<T>(make: (pourId: string) => T): (pourId: string) => T {
  const made = new Map<string, T>();
  return (pourId) => {
    const found = made.get(pourId) ?? make(pourId);
    made.set(pourId, found);
    return found;
  };
}

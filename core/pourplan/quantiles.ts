/**
 * Values at shares of a list, straight between ranks (rank p·(n − 1)). The list is sorted in place: the engine's own
 * sort of a typed array is faster than selecting a few ranks.
 */
export function quantilesOf(values: Float64Array, shares: readonly number[]): number[] {
  values.sort();
  const last = values.length - 1;
  return shares.map((p) => {
    const rank = p * last;
    const low = Math.floor(rank);
    const a = values[low] as number;
    return a + (rank - low) * ((values[Math.min(low + 1, last)] as number) - a);
  });
}

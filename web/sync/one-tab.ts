/**
 * Runs a piece of work in one tab of this device at a time. Over plain http on another machine the
 * browser has no locks (they want a secure page): the work runs all the same. Two tabs may then
 * send the same entry, which is stored once by its id.
 */
export async function inOneTab(name: string, work: () => Promise<void>): Promise<void> {
  const { locks } = navigator as { locks?: LockManager };
  if (locks) await locks.request(name, work);
  else await work();
}

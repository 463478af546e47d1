/** Under whose session this device sends: entries and pictures go out under who made them, and nobody else. */
let current: string | null = null;
const heard = new Set<() => void>();

export const currentSender = (): string | null => current;

/** Says who is signed in; null while nobody is. What waits for them is sent at once. */
export function setSender(name: string | null): void {
  if (name === current) return;
  current = name;
  for (const tell of heard) tell();
}

/** Calls back when somebody else signs in; returns its own undo. */
export function onSender(tell: () => void): () => void {
  heard.add(tell);
  return () => {
    heard.delete(tell);
  };
}

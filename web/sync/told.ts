/** A failure that the person has been told of already: nothing is left to say of it. */
export class Told extends Error {}

/** Hears what nobody caught: what was told is done with, anything else is said. */
export function hearFailures(say: (message: string) => void): void {
  window.addEventListener('unhandledrejection', (e) => {
    e.preventDefault();
    if (e.reason instanceof Told) return;
    console.error(e.reason);
    say(
      `That did not work: ${e.reason instanceof Error ? e.reason.message : String(e.reason)}. What was logged before is kept.`,
    );
  });
}

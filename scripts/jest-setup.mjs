/** Every `expect` takes down where it stands; Jest would have it a hundred calls deep. */
Error.stackTraceLimit = 12;

/** Every browser says whether it has signal; Node, where it has a navigator at all, does not. */
if (globalThis.navigator?.onLine === undefined)
  Object.defineProperty(globalThis, 'navigator', { value: { onLine: true }, configurable: true });

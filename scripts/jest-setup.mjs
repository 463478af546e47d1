/** Every `expect` takes down where it stands; Jest would have it a hundred calls deep. */
Error.stackTraceLimit = 12;

/** Every browser says whether it has signal; Node does so from a later version on. */
globalThis.navigator ??= { onLine: true };

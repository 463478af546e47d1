/** Every `expect` takes down where it stands; Jest would have it a hundred calls deep. */
Error.stackTraceLimit = 12;

/**
 * Something made of an object once, and kept with it as long as it lives: plans, lists and records
 * are never changed in place.
 */
export function madeOncePer<Of extends object, Made>(make: (of: Of) => Made): (of: Of) => Made {
  const kept = new WeakMap<Of, { made: Made }>();
  return (of) => {
    let entry = kept.get(of);
    if (!entry) {
      entry = { made: make(of) };
      kept.set(of, entry);
    }
    return entry.made;
  };
}

/** Remembers its last answer: asked again with the very same things it works nothing out anew. */
export function rememberLast<Given extends unknown[], Made>(
  make: (...given: Given) => Made,
): (...given: Given) => Made {
  let last: { given: Given; made: Made } | null = null;
  return (...given) => {
    if (!last || last.given.some((x, i) => !Object.is(x, given[i])))
      last = { given, made: make(...given) };
    return last.made;
  };
}

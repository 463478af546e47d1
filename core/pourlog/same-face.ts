/** Where a lift of an element is. */
interface At {
  elementId: string;
  lift: number;
}
/** A stretch that was joined of faces, and a face that might be its next. */
interface Joined extends At {
  kind: string;
  metBy: At;
}
interface Face {
  cell: At;
  kind: string;
  metBy: At;
}

/** Whether a face is of the same side of the same lift, met by the same, as the stretch before it. */
export const sameFace = (a: Joined, f: Face): boolean =>
  a.elementId === f.cell.elementId &&
  a.lift === f.cell.lift &&
  a.kind === f.kind &&
  a.metBy.elementId === f.metBy.elementId &&
  a.metBy.lift === f.metBy.lift;

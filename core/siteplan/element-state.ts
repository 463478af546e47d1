import type { Drawn } from './drawn.ts';

/** Whether a value is nothing or holds nothing: files leave such fields out or not. */
const empty = (v: unknown): boolean => v === undefined || v === null;

/** JSON with sorted keys and without empty fields, so that the same thing is the same text. */
function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value);
  const fields = Object.entries(value)
    .filter(([, v]) => !empty(v))
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([k, v]) => `${JSON.stringify(k)}:${canonical(v)}`);
  return `{${fields.join(',')}}`;
}

/** Two 32-bit lanes of a multiplicative hash, as hex: tells two states of an element apart, and is no seal. */
function fingerprint(text: string): string {
  let a = 0x811c9dc5;
  let b = 0x1b873593;
  for (let i = 0; i < text.length; i += 1) {
    const c = text.charCodeAt(i);
    a = Math.imul(a ^ c, 0x01000193);
    b = Math.imul(b ^ c, 0x85ebca6b) + (a >>> 13);
  }
  const hex = (n: number) => (n >>> 0).toString(16).padStart(8, '0');
  return hex(a) + hex(b);
}

/**
 * A fingerprint of everything on the plan that a sign-off of this element stands on: the element
 * itself to the last figure, where its ends are, its type, what stands in and on it, and the forms
 * its walls stand in. What people call it is not among it. Equal for equal states; empty text for
 * an element that is not there.
 */
export function elementState(plan: Drawn, elementId: string): string {
  const own = <T extends { elementId: string }>(list: T[]) =>
    list.filter((o) => o.elementId === elementId);
  const run = plan.runs.find((r) => r.id === elementId);
  const item =
    run ?? plan.pads.find((p) => p.id === elementId) ?? plan.piers.find((p) => p.id === elementId);
  if (!item) return '';
  const { label: _label, ...built } = item;
  const forms = plan.pours
    .filter((p) => p.elements.includes(elementId))
    .map((p) => plan.formSystems.find((f) => f.mark === p.forms));
  return fingerprint(
    canonical({
      built,
      ends: run && [run.from, run.to].map((n) => plan.nodes.find((x) => x.id === n)),
      type: run && [...plan.footingTypes, ...plan.wallTypes].find((t) => t.mark === run.type),
      anchors: own(plan.anchors),
      embeds: own(plan.embeds),
      plates: own(plan.plates),
      forms: run?.kind === 'wall' ? forms : undefined,
    }),
  );
}

/** States of elements before and after a change, by element. */
export const elementStates = (
  before: Drawn,
  after: Drawn,
  elements: readonly string[],
): Record<string, [string, string]> =>
  Object.fromEntries(elements.map((e) => [e, [elementState(before, e), elementState(after, e)]]));

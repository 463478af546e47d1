import { type ReactNode, useState } from 'react';

/** What a form of one of the list is given: and how it is kept. */
export interface RowForm<T> {
  of: T | null;
  write: (body: T) => Promise<void>;
}

/** A list of what the site has, each opened and changed in its place, and a new one at its end. */
export function ResourceList<T>({
  items,
  keyOf,
  nameOf,
  tells,
  save,
  add,
  form,
}: {
  items: readonly T[];
  keyOf: (item: T, index: number) => string;
  nameOf: (item: T) => string;
  tells: (item: T) => ReactNode;
  save: (items: T[]) => Promise<void>;
  /** What adding one is called. */
  add: string;
  form: (row: RowForm<T>) => ReactNode;
}) {
  const [open, setOpen] = useState<number | null>(items.length === 0 ? 0 : null);
  const put = (list: T[]) =>
    save(list).then(() => {
      setOpen(null);
    });
  return (
    <>
      <ul className="rows mb-3">
        {items.map((item, i) => (
          <li key={keyOf(item, i)} className="py-2">
            {open === i ? (
              <>
                {form({
                  of: item,
                  write: (body) =>
                    put(items.map((x, k) => (k === i ? said({ ...x, ...body }) : x))),
                })}
                <TakeOff remove={() => put(items.filter((_, k) => k !== i))} />
              </>
            ) : (
              <button
                type="button"
                className="flex min-h-12 w-full items-center justify-between gap-3 text-left"
                onClick={() => {
                  setOpen(i);
                }}
              >
                <b className="font-semibold">{nameOf(item)}</b>
                <span className="text-right text-ink2">
                  {tells(item)}
                  {isUsual(item) && (
                    <span className="block font-semibold text-ochre-t">usual, not said yet</span>
                  )}
                </span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {open === items.length ? (
        form({ of: null, write: (body) => put([...items, body]) })
      ) : (
        <button
          type="button"
          className="btn line w-full"
          onClick={() => {
            setOpen(items.length);
          }}
        >
          {add}
        </button>
      )}
    </>
  );
}

/** What somebody has seen whole and kept is no longer only usual. */
function said<T>(item: T): T {
  const { usual: _usual, ...rest } = item as T & { usual?: boolean };
  return rest as T;
}
const isUsual = (item: unknown): boolean => (item as { usual?: boolean }).usual === true;

/** Takes one off the list; what a pour still uses says why it cannot go. */
function TakeOff({ remove }: { remove: () => Promise<void> }) {
  const [refused, setRefused] = useState<string | null>(null);
  return (
    <>
      <button
        type="button"
        className="mt-1 min-h-12 font-semibold text-chalk-t"
        onClick={() => {
          remove().catch((e: unknown) => {
            setRefused(e instanceof Error ? e.message : 'That did not work.');
          });
        }}
      >
        Take it off the list
      </button>
      {refused && (
        <p className="font-semibold text-chalk-t" role="alert">
          {refused}
        </p>
      )}
    </>
  );
}

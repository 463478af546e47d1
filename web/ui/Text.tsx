import { Fragment, type ReactNode } from 'react';
import type { Figure } from '#core/units';

const FRACTION = /(\d+)\/(\d+)/g;

function split<T>(
  text: string,
  plain: (s: string, key: number) => T,
  fraction: (s: string, key: number) => T,
): T[] {
  const out: T[] = [];
  let at = 0;
  for (const m of text.matchAll(FRACTION)) {
    if (m.index > at) out.push(plain(text.slice(at, m.index).replace(/(\d) $/, '$1'), out.length));
    out.push(fraction(`${m[1] ?? ''}\u2044${m[2] ?? ''}`, out.length));
    at = m.index + m[0].length;
  }
  if (at < text.length) out.push(plain(text.slice(at), out.length));
  return out;
}

/** Text with every fraction set as one: "2 7/8 in" becomes 2⅞ in, in the face that has eighths. */
export function T({ children }: { children: string }) {
  return (
    <>
      {split<ReactNode>(
        children,
        (s, k) => (
          <Fragment key={k}>{s}</Fragment>
        ),
        (s, k) => (
          <span key={k} className="fr">
            {s}
          </span>
        ),
      )}
    </>
  );
}

/** The same inside an SVG text. */
export function TSpans({ children }: { children: string }) {
  return (
    <>
      {split<ReactNode>(
        children,
        (s, k) => (
          <tspan key={k}>{s}</tspan>
        ),
        (s, k) => (
          <tspan key={k} className="fr" dx="1">
            {s}
          </tspan>
        ),
      )}
    </>
  );
}

/** A figure to act on: large, condensed, its unit at 0.4 of its size. */
export function Big({
  figure,
  size = 40,
  className = '',
}: {
  figure: Figure;
  size?: number;
  className?: string;
}) {
  return (
    <span
      className={`big whitespace-nowrap ${className}`}
      style={{ fontSize: size, lineHeight: 1 }}
    >
      <T>{figure.value}</T>
      <span style={{ fontSize: Math.max(16, size * 0.4), marginLeft: '0.14em' }}>
        {figure.unit}
      </span>
    </span>
  );
}

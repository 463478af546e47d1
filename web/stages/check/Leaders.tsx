import { useLayoutEffect, useRef, useState } from 'react';
import { usePour } from '../../app/pour-context.tsx';

interface Leader {
  d: string;
  key: string;
}

/** Thin lines from what holds the gate to its place on the drawing, found where both have come to lie on the screen. */
export function Leaders() {
  const v = usePour();
  const ref = useRef<SVGSVGElement>(null);
  const [lines, setLines] = useState<Leader[]>([]);
  useLayoutEffect(() => {
    const svg = ref.current;
    const ground = svg?.parentElement;
    if (!svg || !ground) return;
    const draw = () => {
      const o = ground.getBoundingClientRect();
      const gate = ground.querySelector('[data-gate]')?.parentElement?.getBoundingClientRect();
      if (!gate) {
        setLines([]);
        return;
      }
      const next = [...ground.querySelectorAll<HTMLElement>('[data-row]')].flatMap(
        (row): Leader[] => {
          const [kind, ref_ = ''] = (row.dataset.row ?? '').split(/:(.*)/);
          const id = kind === 'out' ? ref_.replace(/:(\d*)$/, '') : '';
          const p = v.points.find((x) => x.point.id === id);
          const target = p
            ? ground.querySelector(
                `[aria-label="${CSS.escape(`${p.point.elementId} ${p.point.title}: out`)}"]`,
              )
            : null;
          const r = row.getBoundingClientRect();
          // A row scrolled out of its list has no line.
          const list = row.parentElement?.getBoundingClientRect() ?? gate;
          const middle = (r.top + r.bottom) / 2;
          if (!target || middle < list.top || middle > list.bottom) return [];
          const t = target.getBoundingClientRect();
          const [tx, ty] = [t.left + t.width / 2 - o.left, t.top + t.height / 2 - o.top];
          const right = tx > (gate.left + gate.right) / 2 - o.left;
          const [sx, sy] = [(right ? r.right + 3 : r.left - 3) - o.left, middle - o.top];
          // Past the list and not across it: along its side first, then to the place.
          const [top, bottom] = [gate.top - o.top, gate.bottom - o.top];
          const inView = ty >= top && ty <= bottom;
          const edge = inView ? null : Math.min(bottom, Math.max(top, ty));
          return [
            {
              key: row.dataset.row ?? '',
              d: `M${sx} ${sy}H${sx + (right ? 10 : -10)}${edge === null ? '' : `V${edge}`}L${tx} ${ty}`,
            },
          ];
        },
      );
      setLines((old) => (JSON.stringify(old) === JSON.stringify(next) ? old : next));
    };
    // The plan inside is drawn only once its box is measured, and its list fills after that: look
    // again when something came or went.
    draw();
    let again = requestAnimationFrame(draw);
    const settle = () => {
      cancelAnimationFrame(again);
      again = requestAnimationFrame(draw);
    };
    const size = new ResizeObserver(settle);
    size.observe(ground);
    const came = new MutationObserver(settle);
    came.observe(ground, { subtree: true, childList: true });
    // Scrolling does not bubble: it is caught on its way down.
    ground.addEventListener('scroll', settle, { capture: true, passive: true });
    return () => {
      cancelAnimationFrame(again);
      size.disconnect();
      came.disconnect();
      ground.removeEventListener('scroll', settle, { capture: true });
    };
  }, [v]);
  return (
    <svg
      ref={ref}
      className="pointer-events-none absolute inset-0 h-full w-full"
      aria-hidden="true"
    >
      {lines.map((l) => (
        <path
          key={l.key}
          data-leader={l.key}
          d={l.d}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="0.9"
        />
      ))}
    </svg>
  );
}

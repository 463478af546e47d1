import { select, zoom, zoomIdentity, type ZoomTransform } from 'd3';
import { useCallback, useRef, useState } from 'react';

/**
 * Looking closer at a drawing by wheel, pinch or drag; what is drawn is drawn anew at the new
 * scale, so lines stay thin.
 */
export function useZoom(
  width: number,
  height: number,
  on: boolean,
): [ref: (el: SVGSVGElement | null) => void, transform: ZoomTransform, reset: () => void] {
  const [transform, setTransform] = useState(zoomIdentity);
  const svg = useRef<SVGSVGElement | null>(null);
  const behaviour = useRef(zoom<SVGSVGElement, unknown>());
  const ref = useCallback(
    (el: SVGSVGElement | null) => {
      if (!el || !on) {
        if (svg.current) select(svg.current).on('.zoom', null);
        svg.current = null;
        return;
      }
      svg.current = el;
      behaviour.current
        .extent([
          [0, 0],
          [width, height],
        ])
        .translateExtent([
          [0, 0],
          [width, height],
        ])
        .scaleExtent([1, 24])
        // One finger scrolls the page, a node is dragged by itself.
        .filter(
          (e: Event) =>
            (e.type.startsWith('touch')
              ? (e as TouchEvent).touches.length > 1
              : !(e as MouseEvent).button) && !(e.target as Element).closest('[data-node]'),
        )
        .on('zoom', (e: { transform: ZoomTransform }) => {
          setTransform(e.transform);
        });
      select(el).call(behaviour.current).on('dblclick.zoom', null);
      return () => {
        select(el).on('.zoom', null);
      };
    },
    [on, width, height],
  );
  const reset = useCallback(() => {
    if (svg.current)
      select(svg.current).call((s) => {
        behaviour.current.transform(s, zoomIdentity);
      });
  }, []);
  return [ref, transform, reset];
}

import { useLayoutEffect, useRef, useState } from 'react';

/** The width a drawing has, in pixels: text in it keeps its size whatever the page's width. */
export function useWidth<Element extends HTMLElement>(
  guess_px: number,
): readonly [React.RefObject<Element | null>, number] {
  const ref = useRef<Element>(null);
  const [width_px, setWidth] = useState(guess_px);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const measure = () => setWidth(Math.round(element.clientWidth));
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width_px];
}

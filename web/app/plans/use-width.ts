import { type RefObject, useEffect, useState } from "react";

/** Width of an element's first column that scrolls, following the window. @param start before it is known, pixels */
export function useWidth(element: RefObject<HTMLElement | null>, start: number): number {
  const [width, setWidth] = useState(start);
  useEffect(() => {
    const observed = element.current;
    if (!observed) return;
    const observer = new ResizeObserver(([entry]) => entry && setWidth(Math.floor(entry.contentRect.width)));
    observer.observe(observed);
    return () => observer.disconnect();
  }, [element]);
  return width;
}

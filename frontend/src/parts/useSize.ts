/** How large an element stands on the screen, in pixels, followed as it changes. */
import { type RefObject, useLayoutEffect, useRef, useState } from "react";

type Size = { width: number; height: number };

export function useSize(until: Size): [RefObject<HTMLDivElement | null>, Size] {
  const holder = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState(until);
  // before it is first seen, so that nothing jumps
  useLayoutEffect(() => {
    const element = holder.current;
    if (!element) return;
    const measure = () => setSize({ width: element.clientWidth, height: element.clientHeight });
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [holder, size];
}

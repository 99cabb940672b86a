/** How large an element stands on the screen, in pixels, followed as it changes. */
import { type RefObject, useEffect, useRef, useState } from "react";

type Size = { width: number; height: number };

export function useSize(until: Size): [RefObject<HTMLDivElement | null>, Size] {
  const holder = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState(until);
  useEffect(() => {
    const element = holder.current;
    if (!element) return;
    const watch = new ResizeObserver(() =>
      setSize({ width: element.clientWidth, height: element.clientHeight }),
    );
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [holder, size];
}

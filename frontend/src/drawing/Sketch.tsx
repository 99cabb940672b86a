/** A small drawing without rulers, as a picture to choose by. */
import { memo } from "react";
import type { Drawing } from "../api/client";
import { Element } from "./elements";
import { fit } from "./view";

export const Sketch = memo(function Sketch({
  drawing,
  width,
  height,
}: {
  drawing: Drawing;
  width: number;
  height: number;
}) {
  const view = fit(drawing, width, height, 1, 3);
  return (
    <svg className="drawing sketch block" width={width} height={height} aria-hidden>
      {drawing.elements.map((element, index) => (
        <Element key={index} element={element} view={view} id={`${drawing.id}${index}`} />
      ))}
    </svg>
  );
});

/** A small drawing without rulers, as a picture to choose by. */
import { memo } from "react";
import type { Drawing } from "../api/client";
import { Element } from "./elements";
import { fit } from "./view";

const NO_ROWS: Drawing["rows"] = [0, 0, 0, 0];

export const Sketch = memo(function Sketch({
  drawing,
  width,
  height,
}: {
  drawing: Drawing;
  width: number;
  height: number;
}) {
  // sizes are not to be read so small
  const view = fit({ ...drawing, rows: NO_ROWS }, width, height, 1, 3);
  return (
    <svg className="drawing sketch block" width={width} height={height} aria-hidden>
      {drawing.elements.map(
        (element, index) =>
          element.kind !== "dimension" && (
            <Element key={index} element={element} view={view} id={`${drawing.id}${index}`} />
          ),
      )}
    </svg>
  );
});

/** A small sheet with lines along its grain: upright or lying as the sheet lies. */
export function GrainMark({
  grain,
  wide = false,
}: {
  grain: "width" | "height" | null | undefined;
  wide?: boolean;
}) {
  const [width, height] = wide ? [20, 14] : [14, 20];
  const lines = [1, 2, 3];
  return (
    <svg
      width={20}
      height={20}
      viewBox={`${(width - 20) / 2} ${(height - 20) / 2} 20 20`}
      className="inline-block align-middle"
      aria-hidden
    >
      <rect
        x={0.5}
        y={0.5}
        width={width - 1}
        height={height - 1}
        className="fill-sheet stroke-faded"
        strokeDasharray={grain ? undefined : "2 2"}
      />
      {grain &&
        lines.map((line) => {
          const at = (line * (grain === "height" ? width : height)) / 4;
          const ends =
            grain === "height"
              ? { x1: at, x2: at, y1: 2, y2: height - 2 }
              : { y1: at, y2: at, x1: 2, x2: width - 2 };
          return <line key={line} {...ends} className="stroke-weld" />;
        })}
    </svg>
  );
}

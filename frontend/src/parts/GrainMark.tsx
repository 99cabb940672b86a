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
        lines.map((line) =>
          grain === "height" ? (
            <line
              key={line}
              x1={(line * width) / 4}
              x2={(line * width) / 4}
              y1={2}
              y2={height - 2}
              className="stroke-weld"
            />
          ) : (
            <line
              key={line}
              y1={(line * height) / 4}
              y2={(line * height) / 4}
              x1={2}
              x2={width - 2}
              className="stroke-weld"
            />
          ),
        )}
    </svg>
  );
}

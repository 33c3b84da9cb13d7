const WIDTH = 120;
const HEIGHT = 24;

/** How a number went, from the least to the greatest that it was. */
export function Plot({ trail, low, high }: { trail: number[]; low: number; high: number }) {
  if (trail.length < 2 || low === high) return <span className="inline-block" style={{ width: WIDTH }} />;
  const points = trail
    .map((number, i) => {
      const x = (i / (trail.length - 1)) * WIDTH;
      const y = HEIGHT - 2 - ((number - low) / (high - low)) * (HEIGHT - 4);
      return `${x.toFixed(1)},${y.toFixed(1)}`;
    })
    .join(" ");
  return (
    <svg width={WIDTH} height={HEIGHT} aria-hidden className="flex-none">
      <polyline points={points} fill="none" stroke="currentColor" strokeWidth={2} />
    </svg>
  );
}

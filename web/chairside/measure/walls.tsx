/** The two walls of a preparation to scale, as wide and high as they were read. */
export function Walls({
  cervicalMm = 8,
  occlusalMm = 7,
  heightMm = 4,
}: {
  cervicalMm?: number
  occlusalMm?: number
  heightMm?: number
}) {
  const scale = 18
  const [c, o, h] = [cervicalMm * scale, occlusalMm * scale, heightMm * scale]
  return (
    <svg width={280} height={150} viewBox="-140 -140 280 150" role="img" aria-label="The two walls to scale">
      <path
        d={`M ${-c / 2} 0 L ${-o / 2} ${-h} L ${o / 2} ${-h} L ${c / 2} 0 Z`}
        className="fill-jade-wash stroke-ink"
        strokeWidth={3}
      />
      <line x1={-130} x2={130} y1={0} y2={0} className="stroke-line" strokeWidth={2} />
    </svg>
  )
}

const TICKS = [100, 150, 200, 300, 500, 800]
const place = (ppi: number) => (330 * Math.log(Math.max(80, Math.min(900, ppi)) / 80)) / Math.log(900 / 80)

/** Where this print's resolution stands, on a logarithmic rule. */
export function ResolutionScale({ ppi }: { ppi: number }) {
  const x = place(ppi)
  return (
    <svg viewBox="0 0 330 46" width="100%" role="img" aria-label={`${Math.round(ppi)} pixels per inch`}>
      <rect x="0" y="18" width={place(150)} height="9" fill="#b5b5b5" />
      <rect x={place(150)} y="18" width={place(200) - place(150)} height="9" fill="#cbcbcb" />
      <rect x={place(200)} y="18" width={330 - place(200)} height="9" fill="#e0e0e0" />
      <path d={`M${x} 14v17`} stroke="#1e1e1e" strokeWidth="3" />
      <text x={Math.max(24, Math.min(306, x))} y="10" fontSize="12" textAnchor="middle">
        {Math.round(ppi)} ppi
      </text>
      {TICKS.map((t) => (
        <text key={t} x={Math.max(10, Math.min(318, place(t)))} y="43" fontSize="11.5" fill="#5e5e5e" textAnchor="middle">
          {t}
        </text>
      ))}
    </svg>
  )
}

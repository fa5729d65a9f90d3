/** A line between two pictures that lie over each other: dragged, or moved with the arrow keys. */
export function Divider({ share, onShare, label }: { share: number; onShare: (share: number) => void; label: string }) {
  const set = (next: number) => onShare(Math.max(0, Math.min(1, next)))
  return (
    <button
      type="button"
      className="handle"
      style={{ left: `${100 * share}%` }}
      role="slider"
      aria-label={label}
      aria-valuenow={Math.round(100 * share)}
      aria-valuemin={0}
      aria-valuemax={100}
      onKeyDown={(e) => {
        const step = (e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0) * (e.shiftKey ? 0.1 : 0.01)
        set(share + step)
      }}
      onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
      onPointerMove={(e) => {
        const r = e.currentTarget.parentElement?.getBoundingClientRect()
        if (e.buttons && r) set((e.clientX - r.left) / r.width)
      }}
    />
  )
}

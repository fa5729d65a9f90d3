import { useEffect, useRef } from 'react'
import { masterThumbnail, treated } from '../api/pictures'
import type { DocketView } from '../api/types'
import { useKeys } from '../frame/keys'
import { treatmentOf } from '../parts/pieces'

type Props = { view: DocketView; shown: string; onShow: (renditionId: string) => void }

/** The docket's pictures side by side, to go from one to the next. */
export function PictureStrip({ view, shown, onShow }: Props) {
  const list = useRef<HTMLDivElement>(null)
  const { pictures } = view
  const nth = pictures.findIndex((p) => p.renditionId === shown)
  const by = (steps: number) => {
    const next = pictures[Math.max(0, Math.min(pictures.length - 1, nth + steps))]
    if (next) onShow(next.renditionId)
  }
  useKeys({ pictureBefore: () => by(-1), pictureAfter: () => by(1) })
  // biome-ignore lint/correctness/useExhaustiveDependencies: the shown one is brought into sight
  useEffect(() => {
    list.current?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  }, [shown])
  return (
    <div className="picture-strip" role="tablist" aria-label="Picture looked at" ref={list}>
      {pictures.map((p, i) => (
        <button
          key={p.renditionId}
          type="button"
          role="tab"
          aria-selected={p.renditionId === shown}
          tabIndex={p.renditionId === shown ? 0 : -1}
          title={p.master.fileName}
          onClick={() => onShow(p.renditionId)}
          onKeyDown={(e) => {
            const steps = { ArrowRight: 1, ArrowLeft: -1, Home: -pictures.length, End: pictures.length }[e.key]
            if (steps === undefined) return
            e.preventDefault()
            by(steps)
          }}
        >
          <img
            loading="lazy"
            src={masterThumbnail(p.master.hash, 120, treated(treatmentOf(view, p.renditionId)))}
            alt={p.master.fileName}
          />
          <span>{i + 1}</span>
        </button>
      ))}
    </div>
  )
}

import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { answer, api } from '../api/client'
import { masterUrl, renditionOf, treated } from '../api/pictures'
import type { Item } from '../api/types'
import type { StripProps } from '../docket/useDocket'
import { byArrow, follow } from '../parts/handles'
import { mm, percent } from '../parts/numbers'
import { Typed } from '../parts/Typed'
import { BY } from './words'

const WIDE = 150
const LEAST = 0.04
const limit = (v: number, low: number, high: number) => Math.max(low, Math.min(high, v))

/** Which part of the picture each piece shows, and how large it is. */
export function PartCard({ view, picture, tools }: Pick<StripProps, 'view' | 'picture' | 'tools'>) {
  const item = view.spec.items.find((i) => i.id === view.spec.plan.itemId) as Item
  const [moving, move] = useState<Item['cut']>()
  const now = useRef(item.cut)
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new version ends what was dragged
  useEffect(() => move(undefined), [view.version])
  const { data: told } = useQuery({
    queryKey: ['docket', view.id, 'strip-part', view.version],
    queryFn: ({ signal }) => answer(api.GET('/api/dockets/{id}/strip/part', { params: { path: { id: view.id } }, signal })),
    placeholderData: (before) => before,
  })
  const m = picture.master
  const cut = moving ?? item.cut
  const high = (WIDE * m.height) / m.width
  const take = (next: Item['cut']) => tools.decide({ kind: 'trimmed', itemId: item.id, cut: next })
  const shifted = (dx: number, dy: number) => ({
    ...item.cut,
    x: limit(item.cut.x + dx, 0, 1 - item.cut.width),
    y: limit(item.cut.y + dy, 0, 1 - item.cut.height),
  })
  const grown = (by: number) => {
    const size = limit(
      1 + by,
      LEAST / Math.min(item.cut.width, item.cut.height),
      Math.min((1 - item.cut.x) / item.cut.width, (1 - item.cut.y) / item.cut.height),
    )
    return { ...item.cut, width: item.cut.width * size, height: item.cut.height * size }
  }
  const drag = (e: React.PointerEvent<HTMLElement>, change: (dx: number, dy: number) => Item['cut']) =>
    follow(e, {
      moved: (dx, dy) => {
        now.current = change(dx / WIDE, dy / high)
        move(now.current)
      },
      done: () => take(now.current),
      left: () => move(undefined),
    })
  const largest = view.planned.largestMm
  return (
    <section>
      <h2 className="head">Which part</h2>
      <div className="which-part">
        <div className="whole" style={{ width: WIDE, height: high }}>
          <img
            src={masterUrl(m.hash, 400, treated(renditionOf(view, picture).treatment))}
            alt="All of the master"
            draggable={false}
          />
          <button
            type="button"
            className="part"
            aria-label="The part that pieces show: drag it, or use the arrow keys"
            style={{ left: cut.x * WIDE, top: cut.y * high, width: cut.width * WIDE, height: cut.height * high }}
            onPointerDown={(e) => drag(e, shifted)}
            onKeyDown={(e) => byArrow(e, 0.01, (dx, dy) => take(shifted(dx, dy)))}
          />
          <button
            type="button"
            className="corner"
            aria-label="Size of the part: drag it, or use the arrow keys"
            style={{ left: (cut.x + cut.width) * WIDE, top: (cut.y + cut.height) * high }}
            onPointerDown={(e) => drag(e, (dx, dy) => grown(Math.max(dx / item.cut.width, dy / item.cut.height)))}
            onKeyDown={(e) => byArrow(e, 0.02, (dx, dy) => take(grown(dx + dy)))}
          />
        </div>
        <div className="soft">
          {told && (
            <p className="told-part">
              {percent(told.darkest)} of the darkest third
              {told.colour > 0 && ` and ${percent(told.colour)} of the strongest colour`} lie in it.
            </p>
          )}
          Choose it for me:{' '}
          {BY.map(({ by, label }, i) => (
            <span key={by}>
              {i > 0 && ' · '}
              <button type="button" className="textual" onClick={() => tools.change({ kind: 'strip-part', by })}>
                {label}
              </button>
            </span>
          ))}
        </div>
      </div>
      <p>
        each{' '}
        <Typed
          label="Width of a piece"
          value={item.frame.widthMm}
          onEnter={(width) => tools.change({ kind: 'piece-size', itemId: item.id, asked: { width } })}
        />{' '}
        mm wide
        {largest > 5 && Math.abs(largest - item.frame.widthMm) > 0.2 && (
          <>
            {' · '}
            <button
              type="button"
              className="textual"
              onClick={() => tools.change({ kind: 'piece-size', itemId: item.id, asked: { width: `${largest}` } })}
            >
              as large as fits ({mm(largest)})
            </button>
          </>
        )}
      </p>
    </section>
  )
}

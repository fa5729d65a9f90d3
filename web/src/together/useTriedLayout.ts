import { useEffect, useRef, useState } from 'react'
import { answer, api } from '../api/client'
import type { GangDocket } from '../api/types'

/** What a hand drags: the gutter, or the longer side of a piece. */
export type Trial = { gutterMm: number } | { itemId: string; longerMm: number }

type Tried = { layout: GangDocket['layout']; of: GangDocket['layout'] }

/**
 * How the pieces would lie while something is dragged. One answer is waited for at a time, and what was asked for between is skipped; the
 * last one stays until the docket is laid anew.
 */
export function useTriedLayout(view: GangDocket): [GangDocket['layout'] | undefined, (trial: Trial | undefined) => void] {
  const [tried, setTried] = useState<Tried>()
  const wanted = useRef<Trial>(undefined)
  const busy = useRef(false)
  const now = useRef(view)
  now.current = view
  useEffect(
    () => () => {
      wanted.current = undefined
    },
    [],
  )
  const ask = async () => {
    const trial = wanted.current
    if (busy.current || !trial) return
    busy.current = true
    const { id, layout: of } = now.current
    try {
      const layout = await answer(api.GET('/api/dockets/{id}/tried-layout', { params: { path: { id }, query: trial } }))
      if (wanted.current) setTried({ layout, of })
    } catch {
      // it is told when the hand lets go
    }
    busy.current = false
    if (wanted.current !== trial) ask()
  }
  const attempt = (trial: Trial | undefined) => {
    wanted.current = trial
    if (trial) ask()
    else setTried(undefined)
  }
  return [tried?.of === view.layout ? tried.layout : undefined, attempt]
}

import { type RefObject, useCallback, useEffect, useRef, useState } from 'react'

type Stage = { fit: () => void; dispose: () => void }

/** A drawing in three dimensions on an element, as large as it; `lost` where the browser has no graphics for it. */
export function useStage<S extends Stage>(
  Kind: new (host: HTMLElement) => S,
): {
  host: RefObject<HTMLDivElement | null>
  /** Acts on it, once it is there. */
  on: (act: (stage: S) => void) => void
  lost: boolean
} {
  const host = useRef<HTMLDivElement>(null)
  const stage = useRef<S | undefined>(undefined)
  const [lost, setLost] = useState(false)
  useEffect(() => {
    const element = host.current
    if (!element) return
    try {
      stage.current = new Kind(element)
    } catch {
      setLost(true)
      return
    }
    const watch = new ResizeObserver(() => stage.current?.fit())
    watch.observe(element)
    return () => {
      watch.disconnect()
      stage.current?.dispose()
      stage.current = undefined
    }
  }, [Kind])
  const on = useCallback((act: (s: S) => void) => {
    if (stage.current) act(stage.current)
  }, [])
  return { host, on, lost }
}

import { type RefObject, useEffect, useRef, useState } from 'react'

/** The size of an element on the screen, followed as it changes. */
export function useRoom(): [RefObject<HTMLDivElement | null>, { w: number; h: number }] {
  const box = useRef<HTMLDivElement>(null)
  const [room, setRoom] = useState({ w: 800, h: 500 })
  useEffect(() => {
    const element = box.current
    if (!element) return
    const watch = new ResizeObserver(() => setRoom({ w: element.clientWidth, h: element.clientHeight }))
    watch.observe(element)
    return () => watch.disconnect()
  }, [])
  return [box, room]
}

import { useEffect, useRef, useState } from 'react'

/**
 * The picture at an address that changes as quickly as a slider: one is asked for at a time, those between are skipped, the last one is always shown.
 * Until the first is there, none is.
 */
export function useLivePicture(url: string): string {
  const [shown, setShown] = useState('')
  const wanted = useRef(url)
  const busy = useRef(false)
  useEffect(() => {
    wanted.current = url
    let gone = false
    const ask = () => {
      if (busy.current || gone) return
      const next = wanted.current
      busy.current = true
      const image = new Image()
      const over = () => {
        busy.current = false
        if (wanted.current !== next) ask()
      }
      image.onload = () => {
        setShown(next)
        over()
      }
      image.onerror = over
      image.src = next
    }
    ask()
    return () => {
      gone = wanted.current !== url
    }
  }, [url])
  return shown
}

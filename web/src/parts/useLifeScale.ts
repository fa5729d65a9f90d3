import { useState } from 'react'

const KEY = 'screen-pixels-per-mm'
/** CSS counts 96 pixels an inch; real screens differ, so this one is measured once, in Settings. */
const NOMINAL = 96 / 25.4

export function keptScale(): number {
  const kept = Number(localStorage.getItem(KEY))
  return kept >= 1 && kept <= 40 ? kept : NOMINAL
}

/** Pixels of this screen for a millimetre; kept in this browser, as it is the screen's. */
export function useLifeScale(): [number, (next: number) => void] {
  const [scale, set] = useState(keptScale)
  return [
    scale,
    (next) => {
      localStorage.setItem(KEY, `${next}`)
      set(next)
    },
  ]
}

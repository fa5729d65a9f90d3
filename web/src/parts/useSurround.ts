import { useCallback, useState } from 'react'
import { useKeys } from '../frame/keys'

const SURROUNDS = ['', 'l70', 'paper'] as const
export const SURROUND_NAMES: Record<string, string> = { '': 'booth L* 50', l70: 'booth L* 70', paper: 'booth paper white' }

/** The booth's surround, changed with B and remembered on this screen. */
export function useSurround(): [string, () => void] {
  const [surround, set] = useState(() => localStorage.getItem('surround') ?? '')
  const turn = useCallback(
    () =>
      set((now) => {
        const next = SURROUNDS[(SURROUNDS.indexOf(now as '') + 1) % SURROUNDS.length] ?? ''
        localStorage.setItem('surround', next)
        return next
      }),
    [],
  )
  useKeys({ surround: turn })
  return [surround, turn]
}

import { useState } from 'react'
import type { ProofView } from '../api/pictures'

const KEY = 'proof-view'
const VIEWS: ProofView[] = ['PAPER_WHITE', 'INK_BLACK', 'SCREEN_WHITE_AND_BLACK']

const kept = (): ProofView => VIEWS.find((v) => v === localStorage.getItem(KEY)) ?? 'PAPER_WHITE'

/** How a person likes to look at proofs; kept in this browser, as it is no decision about a print. */
export function useProofView(): [ProofView, (next: ProofView) => void] {
  const [view, setView] = useState<ProofView>(kept)
  return [
    view,
    (next) => {
      localStorage.setItem(KEY, next)
      setView(next)
    },
  ]
}

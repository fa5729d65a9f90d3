import { useSyncExternalStore } from 'react'

/** What pictures are made for: a space that CSS names, or the hash of a profile that was brought for this very screen. */
export type Screen = { display: string; tagged: boolean }

const KEY = 'screen-colour'
const CHANGED = 'screen-colour-changed'
/** Widest first. */
const SPACES = ['rec2020', 'p3'] as const

/** An own profile chosen in Settings; kept in this browser, as it is the screen's. */
export function ownScreen(): Screen | undefined {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null')
    return kept && typeof kept.display === 'string' ? { display: kept.display, tagged: kept.tagged !== false } : undefined
  } catch {
    return undefined
  }
}

export function chooseScreen(own: Screen | undefined) {
  if (own) localStorage.setItem(KEY, JSON.stringify(own))
  else localStorage.removeItem(KEY)
  window.dispatchEvent(new Event(CHANGED))
}

const matching = (query: string) => typeof window !== 'undefined' && window.matchMedia(query).matches

/** The widest space that the browser says this screen fills; without a browser, sRGB. */
export function spaceOfScreen(matches = matching): string {
  return SPACES.find((s) => matches(`(color-gamut: ${s})`)) ?? 'srgb'
}

const now = () => ownScreen() ?? { display: spaceOfScreen(), tagged: true }

/** For a picture's address; nothing for a screen of sRGB, which is what pictures are made for otherwise. */
export function forScreen(): { display?: string; tagged?: boolean } {
  const { display, tagged } = now()
  return display === 'srgb' ? {} : tagged ? { display } : { display, tagged }
}

/** Changes when pictures are to be made for another screen. */
export function useScreen(): string {
  return useSyncExternalStore(
    (changed) => {
      const queries = SPACES.map((s) => window.matchMedia(`(color-gamut: ${s})`))
      for (const q of queries) q.addEventListener('change', changed)
      window.addEventListener(CHANGED, changed)
      return () => {
        for (const q of queries) q.removeEventListener('change', changed)
        window.removeEventListener(CHANGED, changed)
      }
    },
    () => JSON.stringify(forScreen()),
  )
}

const NAMES: Record<string, string> = { srgb: 'sRGB', p3: 'P3', rec2020: 'BT.2020' }

export const screenName = (display: string) => NAMES[display] ?? 'its own profile'

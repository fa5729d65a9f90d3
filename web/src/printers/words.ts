import type { Mark, Printer } from '../api/types'
import { mm } from '../parts/numbers'

type Doing = Printer['state']['doing']

export const DOING: Record<Doing, string> = { IDLE: 'idle', PRINTING: 'printing', STOPPED: 'stopped', AWAY: "doesn't answer" }

export const DOING_MARK: Record<Doing, Mark | 'BUSY' | 'STOP'> = { IDLE: 'OPEN', PRINTING: 'BUSY', STOPPED: 'STOP', AWAY: 'STOP' }

export const AWAY = "doesn't answer; Wistel asks again every few seconds, and released dockets wait"

type Loaded = Printer['state']['loaded'][number]

/** What lies in a feed; a roll has what is left of it. */
export function loadedWords(l: Loaded): string {
  const type = l.type.replaceAll('-', ' ')
  return l.lengthMm.from < l.lengthMm.to
    ? `${l.feed.replaceAll('-', ' ')}: ${mm(l.widthMm.to)} mm wide, ${mm(l.lengthMm.to / 1000)} m at most in one piece, ${type}`
    : `${l.feed.replaceAll('-', ' ')}: ${mm(l.widthMm.to)} × ${mm(l.lengthMm.to)} mm ${type}`
}

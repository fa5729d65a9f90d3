import type { Mark, Printer } from '../api/types'

type Doing = Printer['doing']

export const DOING: Record<Doing, string> = { IDLE: 'idle', PRINTING: 'printing', STOPPED: 'stopped', AWAY: "doesn't answer" }

export const DOING_MARK: Record<Doing, Mark | 'BUSY' | 'STOP'> = { IDLE: 'OPEN', PRINTING: 'BUSY', STOPPED: 'STOP', AWAY: 'STOP' }

export const AWAY = "doesn't answer; Wistel asks again every few seconds, and released dockets wait"

/** How many prints are on their way to it. */
export const waitsWords = (n: number) => (n === 0 ? 'nothing' : n === 1 ? 'one print' : `${n} prints`)

export const rulesWords = (n: number) =>
  n === 0
    ? 'it tells of none'
    : n === 1
      ? 'one combination of settings that it refuses'
      : `${n} combinations of settings that it refuses`

/** The word for a value that a printer offers; the keyword itself where it doesn't. */
export function wordFor(words: { value: string; label: string }[] | undefined, value: string | undefined): string {
  return words?.find((w) => w.value === value)?.label ?? value?.replaceAll('-', ' ') ?? ''
}

export const FIND = {
  head: 'Make another printer known',
  look: 'Look on the network',
  looking: 'Asking the network for printers …',
  none: 'No printer answered on this network. Enter its address instead.',
  known: 'known already',
}

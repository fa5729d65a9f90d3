import type { Mark, Printer } from '../api/types'

type Doing = Printer['state']['doing']

export const DOING: Record<Doing, string> = { IDLE: 'idle', PRINTING: 'printing', STOPPED: 'stopped', AWAY: "doesn't answer" }

export const DOING_MARK: Record<Doing, Mark | 'BUSY' | 'STOP'> = { IDLE: 'OPEN', PRINTING: 'BUSY', STOPPED: 'STOP', AWAY: 'STOP' }

export const AWAY = "doesn't answer; Wistel asks again every few seconds, and released dockets wait"

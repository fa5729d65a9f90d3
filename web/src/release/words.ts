import type { Attempt, AttemptPage, Costs, DocketView, Estimate, Placed } from '../api/types'
import { fixed, mm } from '../parts/numbers'

export const WORDS = {
  clear: 'Nothing stands in the way',
  before: 'Before it is printed',
  none: 'Not printed yet',
  next: 'Next time:',
  scan: 'The scan shows paper white as measured.',
  noScan: 'Once printed, the scan of the sheet appears here beside the master.',
}

export const LAB = {
  open: 'or write a file for a lab …',
  srgb: 'in sRGB, for any lab',
  wide: 'in a wide space, for a lab that converts well',
  paper: 'in the profile of',
  picture: 'the picture alone',
  sheet: 'the whole sheet',
  write: 'Write the file',
  leave: 'Leave it',
}

/** How it stands, as a sign. */
export const markOf = (a: Attempt) =>
  a.state === 'done' ? 'SETTLED' : a.state === 'failed' ? 'STOP' : a.state === 'cancelled' ? 'OPEN' : 'BUSY'

/** The first page whose scan is there. */
export const scanned = (a: Attempt) => a.pages.find((p) => p.scanHash && p.scanKept)

/** What was let go of an attempt, if anything. */
export function keptWords(a: Attempt): string {
  const scans = a.pages.some((p) => p.scanHash && !p.scanKept)
  const files = a.pages.some((p) => p.fileHash && !p.fileKept)
  const made = a.reprint === 'ANEW' ? 'is made anew by a newer version when it is needed' : 'is made again when it is needed'
  if (scans && files) return ` Its print file and scan were let go; the file ${made}.`
  return files ? ` Its print file was let go and ${made}.` : scans ? ' Its scan was let go.' : ''
}

/** How pages that were made anew differ from the print that they repeat: the furthest of them. */
export function anewWords(a: Attempt): string {
  const anew = a.pages.flatMap((p) => (p.anew ? [p.anew] : []))
  if (anew.length === 0) return ''
  const known = anew.flatMap((d) => (typeof d.mean === 'number' ? [d.mean] : []))
  const most = Math.max(...anew.map((d) => d.most ?? 0))
  return known.length < anew.length
    ? ' Made anew by a newer version; how far it is from the print of then is not known.'
    : ` Made anew by a newer version: mean ΔE ${fixed(Math.max(...known), 2)}, at most ${fixed(most, 2)} from the print of then.`
}

/** Some page of it was made anew and looks different: it goes on only when that is agreed to. */
export const looksDifferent = (a: Attempt) => a.pages.some((p) => p.anew?.seen)

/** Nothing of it is at the printer yet, or it waits for a word. */
export const mayBeHeld = (a: Attempt) => a.held || (!a.labFile && a.pages.every((p) => p.jobId === null || p.jobId === undefined))

/** The same print once more, named for what it will be. */
export const AGAIN: Record<Attempt['reprint'], { label: string; help: string }> = {
  KEPT: { label: 'Exactly this again', help: 'The very file that was printed is sent once more.' },
  SAME: { label: 'Exactly this again', help: 'Its file was let go. It is made again from the order, the same to the byte.' },
  ANEW: {
    label: 'This again, made anew',
    help: 'Its file was let go, and this version of Wistel makes it in another way than then. How far it differs is told before it is printed.',
  },
}

export const VERDICTS = [
  { value: '', label: 'not judged' },
  { value: 'matches', label: 'matches' },
  { value: 'too dark', label: 'too dark' },
  { value: 'too light', label: 'too light' },
  { value: 'a cast', label: 'a colour cast' },
  { value: 'banding', label: 'banding' },
  { value: 'head strike', label: 'head strike' },
]

export function attemptWords(a: Attempt): string {
  switch (a.state) {
    case 'waiting':
      return a.message || 'waiting for its turn'
    case 'rendering':
      return a.labFile ? `writing the file, ${a.percent} %` : `making the print file, ${a.percent} %`
    case 'sending':
      return a.message || 'going to the printer'
    case 'printing':
      return a.message || `printing, ${a.percent} %`
    case 'done':
      if (a.labFile) return `file for a lab, ${a.summary}`
      return `${a.verdict ? `printed, ${a.verdict}` : 'printed'}${a.message ? `. ${a.message}` : ''}`
    case 'failed':
      return `failed: ${a.message}`
    default:
      return a.message || 'cancelled'
  }
}

export const OVER: AttemptPage['state'][] = ['done', 'failed', 'cancelled']

/** It has ended without coming out. */
export const failedToCome = (state: AttemptPage['state'] | null | undefined) =>
  state != null && state !== 'done' && OVER.includes(state)

/** It is on its way out. */
export const onItsWay = (state: AttemptPage['state'] | null | undefined) => state != null && !OVER.includes(state)

export function pageWords(p: AttemptPage): string {
  switch (p.state) {
    case 'waiting':
      return 'waits'
    case 'rendering':
      return `its file is made, ${p.percent} %`
    case 'sending':
      return 'on its way to the printer'
    case 'printing':
      return p.message || `printing, ${p.percent} %`
    case 'done':
      return 'printed'
    case 'failed':
      return `failed: ${p.message}`
    default:
      return 'not printed'
  }
}

export const LAID = {
  sheet: 'the sheet to come',
  print: 'the print that came',
  joined: 'all sheets joined',
  foot: 'The sheet as these settings would give it.',
  unknown: 'The sheet as these settings would give it; its colours are not known and stand as judged in the proof.',
}

export const TAKES = { head: 'What it takes' }

export const ELSEWHERE = {
  open: 'On another printer instead …',
  head: 'On another printer, and what that changes',
  take: 'Put the docket on it',
}

export const HOLD = { hold: 'Hold it', go: 'Send it now', again: 'Hold it', differs: 'Print it all the same' }

export const duration = (seconds: number) =>
  seconds < 90 ? `${Math.max(5, Math.round(seconds / 5) * 5)} s` : `${fixed(seconds / 60, seconds < 600 ? 1 : 0)} min`

function sureness(e: Estimate, spread: string): string {
  if (e.basis === 'PAST') return `give or take ${spread} (${e.prints === 1 ? 'one page' : `${e.prints} pages`} like it)`
  return `give or take ${spread}, by the printer's own figures`
}

/** "3 min, give or take 20 s (4 pages like it)" */
export const timeWords = (e: Estimate) =>
  e.basis === 'NONE'
    ? 'not known: the printer tells no figures, and nothing like it was printed yet'
    : `${duration(e.value)}, ${sureness(e, duration(e.giveOrTake))}`

export const inkWords = (e: Estimate) =>
  e.basis === 'NONE'
    ? 'not known: the printer tells no figures'
    : `${fixed(e.value, 1)} ml, ${sureness(e, `${fixed(Math.max(0.1, e.giveOrTake), 1)} ml`)}`

/** What goes through the printer, and what stays on the roll. */
export function paperWords(c: Costs, stock: string): string {
  if (c.rollMm === 0) return c.sheets === 1 ? `one sheet of ${stock}` : `${c.sheets} sheets of ${stock}`
  const left = c.rollLeftMm
  return `${mm(c.rollMm)} mm of the ${stock}${left === null || left === undefined ? '; none of it is loaded' : left < 0 ? '; the loaded one is too short' : `; ${fixed(left / 1000, 1)} m stay on it`}`
}

/** Which print on which sheet: a strip's piece by what it varies, others by their number. */
export function placeWords(view: DocketView, page: number, placed: Placed, index: number): string {
  const piece = view.planned.kind === 'stripped' && view.planned.pieces.find((p) => p.page === page && p.placedId === placed.id)
  return `sheet ${page}${piece ? `, ${piece.words}` : placed.tile ? '' : `, print ${index + 1}`}`
}

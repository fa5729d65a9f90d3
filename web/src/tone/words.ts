import type { ReadWedge, Wedge, WedgeTold } from '../api/types'
import { fixed, percent } from '../parts/numbers'

export const STEPS = [21, 33, 51, 101, 256]
export const REPEATS = [1, 2, 3, 4]

export const BENCH = {
  about:
    'A step wedge shows how evenly a mode goes from black to paper. Print one in the very mode that you mean to use, let it dry, read it, and straighten what needs it.',
  none: 'No wedge yet. Choose a paper and a mode above and print one; the first takes a sheet and some minutes.',
  onlyDriver: 'This printer has no monochrome mode of its own: gray goes through the profile.',
  ways: { DRIVER: 'the driver’s monochrome', PROFILE: 'gray through the profile' } as const,
  left: 'as the printer has it',
  print: 'Print the wedge',
  page: 'Print a page to judge by eye',
  pageSent: 'The page is on its way to the printer.',
  elsewhere: 'Bring a reading of a scale printed elsewhere',
  compare: 'Draw them together',
  alone: 'Close the plot',
}

export const ORIGINS: Record<Wedge['readings'][number]['origin'], string> = {
  INSTRUMENT: 'by the instrument',
  SCANNER: 'from a scan',
  FILE: 'from a file',
}

export const PLOT = {
  light: 'L* of each step: as printed (rings), through the curve (line), as it should be (dashed)',
  lightBare: 'L* of each step: as printed (rings), as it should be (dashed)',
  drift: 'Drift from the paper: a* line, b* dotted',
  noColour: 'This reading tells lightness alone; colour drift is not known.',
  curve: 'The curve: tone wanted across, sent upwards',
  curveHelp: 'Drag a point, or use the arrow keys on it. Double-click adds one, Delete takes it out.',
}

/** What of another wedge's mode is different from this one's. */
export function otherwise(w: Wedge, than: Wedge) {
  const same = than.words.split(' · ')
  const other = [w.printer === than.printer ? '' : w.printer, ...w.words.split(' · ').filter((p) => !same.includes(p))].filter(
    Boolean,
  )
  return other.length > 0 ? other.join(', ') : 'the same mode'
}

export const AIMS = [
  { value: 'EVEN' as const, label: 'even steps' },
  { value: 'PROOF' as const, label: 'as a proof of grays' },
]

/** How many points, and why not more. */
export function pointsWords(told: WedgeTold) {
  const n = told.points.length
  if (told.drawn) return `${count(n)}, drawn by hand`
  if (n === 0) return 'no points: more would follow noise'
  const next = told.byPoints[n + 1]
  return next === undefined ? `${count(n)}, the most there may be` : `${count(n)}; one more would only follow noise`
}

const count = (n: number) => (n === 1 ? 'one point' : `${['no', 'one', 'two', 'three', 'four', 'five', 'six'][n] ?? n} points`)

export const moveWords = (told: WedgeTold) =>
  told.points.length === 0
    ? 'nothing is moved'
    : `largest move ${percent(Math.abs(told.largestMove.sent))} at ${percent(told.largestMove.wanted)}`

export const offWords = (told: WedgeTold) =>
  told.points.length === 0
    ? `L* off by ${fixed(told.before, 1)} (rms)`
    : `L* off by ${fixed(told.before, 1)} before, ${fixed(told.after, 1)} after (rms)`

/** How a wedge stands, in one line. */
export function standsWords(w: Wedge) {
  if (w.reading)
    return w.kept
      ? w.reading.points.length > 0
        ? 'curve in force'
        : 'straight, kept'
      : w.through
        ? `proof of wedge ${w.ofWedge}`
        : 'read'
  if (!w.printing) return 'waits for its reading'
  if (!w.printing.over) return w.printing.words
  return w.printing.done ? 'printed, to be read' : w.printing.words
}

/** How long a sheet has been drying. */
export function driedWords(hours: number | null | undefined) {
  if (hours === null || hours === undefined) return ''
  if (hours < 1) return `dried ${Math.round(60 * hours)} min`
  return hours < 48 ? `dried ${Math.round(hours)} h` : `dried ${Math.round(hours / 24)} days`
}

export const NEXT = {
  wait: 'It is on its way. Let the sheet dry before it is read: matte papers an hour, coated ones a day.',
  read: 'Let it dry, then read it. An instrument sees lightness and colour; a scanner only how steps compare.',
  prove: 'Print the wedge once more through the curve: it proves itself.',
  use: 'The curve can be used as it is, or be proved on paper first.',
  straight: 'Keep it: proofs then show this mode as it prints, and preflight knows that it was measured.',
  kept: 'In force: monochrome dockets in this mode print through it, and their proofs show it.',
  old: 'It was measured more than a year ago: print the wedge again and see whether it still holds.',
  turn: 'Read from black to paper. Turn it, and the rest follows.',
  failed: 'The sheet did not come out. See the print log for what happened, or print another.',
  unsuited: 'Try another media type, black ink or quality before you bend the scale this far.',
}

export const wasRead = (wedge: Wedge): wedge is ReadWedge => wedge.reading != null

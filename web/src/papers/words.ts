import type { Pairing, Printer } from '../api/types'
import { wordFor } from '../printers/words'

export const CURLS = [
  { value: 'FLAT', label: 'lie flat' },
  { value: 'SLIGHT', label: 'lift a little' },
  { value: 'STRONG', label: 'lift' },
]

export const PROFILE = {
  bring: 'Bring a paper’s profile',
  head: 'A paper’s profile',
  several: 'Which of them',
  sweep: 'Grays and hues as this paper gives them',
  fine: 'Nothing in it needs a second look.',
  pair: 'What it belongs to',
  pairHelp:
    'Proposed from what the profile says of itself. The media type is part of it: set another one on the printer, and the profile is void.',
  name: 'Give the paper a name.',
  surface: 'Say how it looks: gloss, lustre, matte …',
  done: 'Pair them',
  change: 'The next version of it',
  changeHelp: 'Dockets follow it from now on. What was printed keeps the version it was printed with.',
  keep: 'Keep this version',
}

/** "0.52 mm, 300 g/m², version 2": what is known of it. */
export function bodyWords(p: Pairing): string {
  const { thicknessMm, grammage, curl } = p.body
  return [
    thicknessMm > 0 ? `${thicknessMm.toFixed(2)} mm` : '',
    grammage > 0 ? `${grammage} g/m²` : '',
    curl === 'STRONG' ? 'lifts' : '',
    p.number > 1 ? `version ${p.number}` : '',
  ]
    .filter(Boolean)
    .join(', ')
}

/** "lustre, fine": what it is to be set to, in its printer's words. */
export function setWords(p: Pairing, can: Printer['can'] | undefined): string {
  return `${wordFor(can?.mediaTypes, p.settings.values['media-type'])}, ${wordFor(can?.qualities, p.settings.values['print-quality'])}`
}

/** What a version says that the one before it didn't. */
export function versionWords(p: Pairing, before?: Pairing): string {
  if (!before) return 'first version'
  const changed = [
    p.profileHash !== before.profileHash ? 'another profile' : '',
    JSON.stringify(p.settings) !== JSON.stringify(before.settings) ? 'other settings' : '',
    p.intent !== before.intent ? `${p.intent.toLowerCase()} intent` : '',
    p.paper !== before.paper || p.surface !== before.surface || JSON.stringify(p.body) !== JSON.stringify(before.body)
      ? 'the paper described anew'
      : '',
    JSON.stringify(p.feedScale) !== JSON.stringify(before.feedScale) ? 'its feed measured' : '',
    JSON.stringify(p.curves) !== JSON.stringify(before.curves) ? 'a wedge measured' : '',
  ].filter(Boolean)
  return changed.length > 0 ? changed.join(', ') : 'the same again'
}

export const TRUE_SIZE = {
  unmeasured:
    'Nobody has measured how far this feed moves the paper. A metre may come out some millimetres too long or too short: sheets of one picture don’t meet then.',
  print: 'Print ruled lines',
  printAgain: 'Print ruled lines again',
  printing: (stock: string) => `Two lines are being printed on ${stock}.`,
  failed: 'The lines didn’t come out.',
  log: 'See the print log',
  forget: 'Print sizes as they are sent',
  help: 'One line along the feed and one across it, as long as the paper that lies in the printer allows, up to a metre. Measure from tick to tick with a good steel ruler: half a millimetre in a metre counts.',
  drawing: 'The sheet with a line along its feed and one across it; the arrow points at the edge that went in first',
  read: (stock: string) => `What does the ruler say, from the middle of one tick to the middle of the other? (${stock})`,
  keep: 'Keep it',
}

export const PAPER = {
  what: 'What it is',
  loaded: 'lies in',
  nowhere: 'no feed of its printer now',
  prints: (n: number) => (n === 0 ? 'no prints yet' : n === 1 ? '1 print' : `${n} prints`),
}

export const JUDGED = {
  head: 'The profile, judged',
  back: 'there and back',
  chart: 'patches of its chart',
  heldBack: 'held-back patches',
  grays: 'grays',
  smooth: 'smoothness',
  even: 'no bend that a gradient would show',
  black: 'deepest black',
  holds: 'holds',
  file: 'the file',
  fine: 'Nothing in it needs a second look.',
  graysPlot: 'Grays asked for, and how they come out: a* and b*',
  graysHelp: 'Line: a*, plus is redder. Dashes: b*, plus is yellower. A straight line at 0 is a gray without a tint.',
  returnsPlot: 'There and back, by hue and lightness',
  returnsHelp: 'The darker a field, the farther a colour comes back from where it was.',
  circlePlot: (lightness: number, chroma: number) =>
    `Round the hues at L* ${Math.round(lightness)}, C* ${Math.round(chroma)}: what the printer is told, in per cent`,
  circleHelp: 'Line: red. Dashes: green. Dots: blue. A corner in a line is a line in a gradient.',
}

export const MAKE = {
  button: 'Make a profile',
  head: 'A chart for a new profile',
  help: 'It is printed exactly as the paper will be printed on, with its numbers left alone. Everything below belongs to the profile: change one of them later, and it is void.',
  sizes: [
    { value: 'SMALL', label: '300 patches: quick, for a first look' },
    { value: 'USUAL', label: '900 patches: for work' },
    { value: 'LARGE', label: '1700 patches: as good as it gets' },
  ],
  becomes: [
    { value: 'next', label: 'this paper’s next version' },
    { value: 'own', label: 'a paper of its own' },
  ],
  type: 'Choose what the printer is to be set to.',
  print: 'Print the chart',
  open: 'In the making',
  steps: ['chart', 'print', 'dry', 'read', 'judge', 'keep'],
  read: (page: number) => `Read page ${page}`,
  again: 'Read it again',
  bring: 'Bring a reading',
  forget: 'Let the reading go',
  misfits: 'What doesn’t fit',
  leaveOut: 'Leave them out',
  takeIn: 'Take them in again',
  make: 'Make the profile',
  keep: 'Keep it',
  drop: 'Give it up',
  dropAsk: 'What was printed stays in the log; what was read is gone.',
  fits: 'Every patch fits its neighbours.',
  chart: 'All that was measured, as CGATS',
}

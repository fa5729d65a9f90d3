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
    p.inks !== before.inks ? (p.inks ? `inks: ${p.inks}` : 'the printer maker’s inks') : '',
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
  ownInks: 'the printer maker’s own',
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
  grayChart: { value: 'GRAYS', label: '105 grays: for the printer’s own monochrome' },
  moreChart: { value: 'MORE', label: '100 patches more, where its profile is least sure' },
  ownChart: { value: 'OWN', label: 'a chart of your own, as CGATS' },
  ownFile: 'Choose its file',
  ownMissing: 'Choose the chart’s file.',
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
  makeAgain: 'Make it with these',
  isMade: 'How far the profile is',
  stop: 'Stop',
  judgeHead: 'The profile',
  made: 'made from this chart',
  inUse: 'in use',
  itself: 'the picture',
  heldBack: 'held-back patches',
  inTurn: 'each gray from the others',
  back: 'there and back',
  grays: 'grays',
  bends: 'bends',
  black: 'deepest black',
  picture: 'Picture that is looked at',
  noPicture: 'With a picture on the bench you could see here how it comes out.',
  intents: [
    { value: 'PERCEPTUAL', label: 'perceptual' },
    { value: 'RELATIVE', label: 'relative' },
    { value: 'SATURATION', label: 'saturation' },
  ],
  file4: 'Profile, ICC 4',
  file2: 'Profile, ICC 2',
  keep: 'Keep it',
  drop: 'Give it up',
  dropAsk: 'What was printed stays in the log; what was read is gone.',
  fits: 'Every patch fits its neighbours.',
  chart: 'What was measured, CGATS',
}

export const CHOICES = {
  compression: {
    head: 'vivid colours',
    options: [
      { value: 'SOFT', label: 'drawn in a little' },
      { value: 'MIDDLE', label: 'between' },
      { value: 'STRONG', label: 'drawn in far' },
    ],
    help: {
      SOFT: 'Most stay as vivid as the paper allows; the strongest run together.',
      MIDDLE: 'The perceptual rendering keeps some of what tells strong colours apart.',
      STRONG: 'What tells strong colours apart is kept; all of them are calmer.',
    },
  },
  grays: {
    head: 'grays',
    options: [
      { value: 'PAPER', label: 'as the paper’s white' },
      { value: 'D50', label: 'neutral under D50' },
    ],
    help: {
      PAPER: 'One tint from paper to black: what the eye takes for gray once it has settled on the paper.',
      D50: 'Neutral beside other papers; towards white they take on the paper’s tint.',
    },
  },
  tables: {
    head: 'tables',
    options: [
      { value: 'SMALL', label: 'small' },
      { value: 'USUAL', label: 'usual' },
      { value: 'LARGE', label: 'large' },
    ],
    help: {
      SMALL: 'About 300 kB, for programs that want it small.',
      USUAL: 'About 1 MB.',
      LARGE: 'About 2.5 MB: bends between measured colours are followed more closely.',
    },
  },
} as const

export const MAKERS = {
  button: 'From paper makers',
  head: 'Papers from their makers',
  back: 'Back to the papers',
  help: 'Makers measure their papers on many printers and put the profiles on the web. Nothing is asked there unless you press a button here.',
  search: 'Paper, surface, maker or printer',
  own: 'for printers here',
  paper: 'Paper',
  maker: 'Maker',
  profiles: 'Profiles',
  fetch: (quality: string) => `Fetch, ${quality}`,
  fetchFor: (paper: string, printer: string, quality: string) => `Fetch ${paper} for ${printer}, ${quality}`,
  pairHelp: 'Set as its maker says. The media type is part of it: set another one on the printer, and the profile is void.',
  looked: 'What was fetched',
  nothing: 'No library has such a paper. Try fewer words, or papers for other printers.',
  noLibrary: 'No library is known yet. A paper maker can tell you the address of theirs.',
  from: (maker: string, edition: string) => `From ${maker}${edition ? `, edition ${edition}` : ''}.`,
  libraries: 'Libraries',
  address: 'https:// address of a library',
  ownNetwork: 'it is in my own network',
  add: 'Add it',
  asked: 'asked',
  stays: 'What it said before is still here.',
  refresh: 'Look for news',
  remove: 'Take it off',
  removeAsk: (title: string) => `Take ${title} off the list?`,
  removeHelp: 'What was fetched from it stays.',
  origin: 'from where',
  newer: (edition: string) => `Its maker has edition ${edition} now.`,
  newerLook: 'Look at it',
  licence: 'licence',
}

/** IPP's print-quality in words: 5 is the finest. */
export const qualityWords = (quality: number) => ['', '', '', 'quick', 'standard', 'fine'][quality] || 'any quality'

export const CHECKS = {
  head: 'Kept true',
  none: 'Nobody has checked yet whether prints on it still look as its profile says. A strip of 36 patches tells.',
  begin: 'Check it',
  again: 'Check it again',
  printing: 'The strip is being printed.',
  failed: 'The strip didn’t come out; the print log says why.',
  ready: 'The strip lies there. Let it dry as long as a print does, then read it.',
  read: 'Read the strip',
  bring: 'Bring a reading',
  patches: 'Its patches',
  beside: 'Strips beside pictures, not read yet:',
  onItsWay: 'not out yet',
  drift: 'How far prints are from what the profile says: mean ΔE',
  place: 'Patch',
  foreseen: 'Foreseen L* a* b*',
  printed: 'Printed',
  advice: {
    KEEP: 'prints look as the profile says.',
    CLEAN_HEADS: 'an ink lays down too little. Clean its nozzles, then check again before anything else.',
    OTHER_PAPER: 'the bare sheet has another white than the profile knows: another batch, or another paper.',
    NEW_CURVE: 'grays have got lighter or darker, and colours have not. A new wedge for the black is enough.',
    REPROFILE: 'colours have moved. Make a new profile.',
  },
  measures: {
    MEAN: 'mean ΔE',
    PERCENTILE_95: '95 % within ΔE',
    PAPER: 'bare paper, ΔE',
    PRIMARY: 'full inks, ΔE',
    HUE: 'their hues, ΔH*',
    GRAY: 'grays, ΔC*',
  },
}

export const ORDER = {
  by: 'first',
  label: 'Which paper comes first',
  columns: [
    { value: 'name', label: 'by name' },
    { value: 'black', label: 'the deepest black' },
    { value: 'white', label: 'the whitest' },
  ],
  picture: 'the closest to a picture',
}

export const SAME = {
  label: 'The same paper as',
  choose: 'none other',
  ask: (paper: string, other: string) => `Is ${paper} the same paper as ${other}?`,
  help: 'All of its pairings are of that paper from now on. Prints keep the name that they were made under.',
  yes: 'It is',
  no: 'It is not',
}

export const JUDGING = {
  head: 'A page to judge by',
  help: 'Ramps, hues, deep shadows and lights in numbered steps, tones of skin, fine lines, two pictures: one sheet tells what the paper is like before any work is printed on it.',
  print: 'Print the page',
  again: 'Print it again',
  printing: 'being printed',
  failed: 'did not come out; the print log says why',
  notYet: 'it lies there, nobody has judged it yet.',
  say: 'Say in the print log what you see',
}

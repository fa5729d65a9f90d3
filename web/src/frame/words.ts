export const SHORTCUTS: [string, string][] = [
  ['[', 'the station before'],
  [']', 'the next station'],
  ['M', 'hold: see the master'],
  ['N', 'hold: see the proof without the compensation'],
  ['B', 'change the surround of the booth'],
  ['G', 'show what the paper cannot hold'],
  ['1 to 4', 'choose the intent in the proof'],
  ['Ctrl Z', 'undo the last decision'],
  ['Ctrl Shift Z', 'do it again'],
  ['/', 'find a docket'],
  ['?', 'these keys'],
]

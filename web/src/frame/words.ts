import type { DamagedRecord } from '../api/types'

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

const NAMED = 3

export function damagedWords(records: DamagedRecord[]): string {
  const names = records.slice(0, NAMED).map((r) => r.name)
  const more = records.length - names.length
  return `Can’t be read: ${names.join('; ')}${more > 0 ? `; and ${more} more` : ''}. What is stored of ${records.length === 1 ? 'it' : 'them'} is damaged and kept as it is; everything else is here.`
}

export const HELP = 'From the first start to the first right print'

import type { Attempt } from '../api/types'

export const WORDS = {
  clear: 'Nothing stands in the way',
  before: 'Before it is printed',
  none: 'Not printed yet',
  scan: 'The scan shows paper white as measured.',
  noScan: 'Once printed, the scan of the sheet appears here beside the master.',
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
      return `making the print file, ${a.percent} %`
    case 'sending':
      return a.message || 'going to the printer'
    case 'printing':
      return a.message || `printing, ${a.percent} %`
    case 'done':
      return a.verdict ? `printed, ${a.verdict}` : 'printed'
    case 'failed':
      return `failed: ${a.message}`
    default:
      return a.message || 'cancelled'
  }
}

import type { DamagedRecord } from '../api/types'

const NAMED = 3

export function damagedWords(records: DamagedRecord[]): string {
  const names = records.slice(0, NAMED).map((r) => r.name)
  const more = records.length - names.length
  return `Can’t be read: ${names.join('; ')}${more > 0 ? `; and ${more} more` : ''}. What is stored of ${records.length === 1 ? 'it' : 'them'} is damaged and kept as it is; everything else is here.`
}

export const HELP = 'From the first start to the first right print'

import { pairingOf } from '../api/pictures'
import type { DocketView, OnDocket, SettingChoice } from '../api/types'

export const WORDS = {
  noPairing: 'Choose a paper first: it brings its printer and the settings that its profile was made with.',
  silent: 'The printer has not said yet what it can. It is asked again by itself.',
  way: 'The way of the colour',
  byWistel: 'Converted in exactly one place: Wistel.',
  byDriver: 'Converted in exactly one place: the driver.',
  inPrinter: 'In the printer',
  nothingLoaded: 'nothing is loaded',
  sentIn: 'goes out in',
  notNow: 'not possible now',
}

/** "the rest, in the printer's own words: 6 settings, all as it comes" */
export function restWords(rest: SettingChoice[]): string {
  const changed = rest.filter((s) => s.values.some((v) => v.chosen && v !== s.values[0])).length
  const count = rest.length === 1 ? 'one setting' : `${rest.length} settings`
  return `the rest, in the printer's own words: ${count}, ${changed === 0 ? 'all as it comes' : `${changed} changed`}`
}

export const lostWords = (space: string, percent: string, lost: number) =>
  lost < 0.0005 ? `${space} holds every colour of this picture` : `${space} loses ${percent} % of this picture's colours`

/** Who holds which numbers, and where they are converted, one step after the other. */
export function colourPath(view: DocketView, picture: OnDocket, settings: SettingChoice[]): [string, string][] {
  const label = (setting: string) => settings.find((s) => s.setting === setting)?.values.find((v) => v.chosen)?.label ?? ''
  const rendition = view.spec.renditions.find((r) => r.id === picture.renditionId)
  const treated = [
    rendition?.treatment.kind === 'monochrome' ? 'monochrome' : 'in colour',
    rendition?.compensation.on && rendition.compensation.moves.length > 0 ? 'compensated' : '',
  ].filter(Boolean)
  const steps: [string, string][] = [
    ['Master', `${picture.sourceName}, ${picture.master.bits} bit`],
    ['Rendition', treated.join(', ')],
  ]
  switch (view.spec.colour.route.kind) {
    case 'by-wistel':
      steps.push(['Wistel', `through the profile of ${pairingOf(view).paper}`], ['The driver', 'told to leave the numbers alone'])
      break
    case 'by-driver':
      steps.push(['The driver', 'with a conversion of its own, unknown to Wistel'])
      break
    default:
      steps.push(['The driver, monochrome', `darkness ${label('wistel-mono-darkness') || 'as it comes'}; black and gray inks`])
  }
  steps.push([`Ink on ${pairingOf(view).paper}`, [label('media-type'), label('print-quality')].filter(Boolean).join(', ')])
  return steps
}

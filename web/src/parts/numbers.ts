/** Numbers as the house writes them: a point, fixed decimals, a thin true minus. */
export const fixed = (value: number, decimals: number) =>
  value
    .toFixed(decimals)
    .replace(/^-(0(?:\.0*)?)$/, '$1')
    .replace('-', '−')
export const mm = (value: number) => {
  const tenths = Math.round(value * 10) / 10
  return Number.isInteger(tenths) ? tenths.toFixed(0) : tenths.toFixed(1)
}
export const percent = (share: number) => `${(100 * share).toFixed(share < 0.1 ? 1 : 0)} %`
export const megabytes = (bytes: number) => `${(bytes / 1e6).toFixed(1)} MB`
export const moment = (iso: string) =>
  new Date(iso).toLocaleString('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' })

/** CSS colour of a D50 L*a*b* as a display shows it: for swatches of paper, not for judging. */
export const labCss = (lab: number[]) => `lab(${lab[0] ?? 0}% ${lab[1] ?? 0} ${lab[2] ?? 0})`
/** A date without its time. */
export const day = (iso: string) => new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })

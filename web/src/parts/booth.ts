/** Longest side, in device pixels, of a picture that fills the booth on this screen; stepped, so that few sizes are made. */
export function boothPixels(innerWidth: number, devicePixelRatio: number): number {
  return Math.min(2400, 150 * Math.ceil((innerWidth * 0.7 * Math.max(1, devicePixelRatio)) / 150))
}

export const BOOTH = boothPixels(window.innerWidth, window.devicePixelRatio)

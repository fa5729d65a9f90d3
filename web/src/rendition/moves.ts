import type { Move } from '../api/types'

/** The six hues that have handles, in Oklab; the server names colours after them. */
export const HUES = [
  { hue: 25, name: 'red' },
  { hue: 95, name: 'yellow' },
  { hue: 145, name: 'green' },
  { hue: 195, name: 'cyan' },
  { hue: 260, name: 'blue' },
  { hue: 325, name: 'magenta' },
]

export type Point = { from: number; to: number }

/** A compensation as its sliders and curves show it. */
export type Sliders = {
  shadows: number
  midtones: number
  lights: number
  contrast: number
  brightness: number
  pivot: number
  /** Per cent more or less of it. */
  chroma: number
  byHue: number[]
  warmth: number
  tint: number
  curve: Point[]
}

const STRAIGHT: Point[] = [
  { from: 0, to: 0 },
  { from: 100, to: 100 },
]

export function slidersOf(moves: Move[], pivot: number): Sliders {
  const tones = moves.find((m) => m.kind === 'tone-moves')
  const chroma = moves.find((m) => m.kind === 'chroma-moves')
  const warmth = moves.find((m) => m.kind === 'warmth')
  const curve = moves.find((m) => m.kind === 'lightness-curve')
  return {
    shadows: tones?.shadows ?? 0,
    midtones: tones?.midtones ?? 0,
    lights: tones?.lights ?? 0,
    contrast: tones?.contrast ?? 0,
    brightness: tones?.brightness ?? 0,
    pivot: tones?.pivot ?? Math.max(5, Math.min(95, Math.round(pivot))),
    chroma: Math.round(100 * ((chroma?.chroma ?? 1) - 1)),
    byHue: HUES.map((h) => Math.round(100 * ((chroma?.byHue.find((p) => p.hue === h.hue)?.chroma ?? 1) - 1))),
    warmth: warmth?.warmth ?? 0,
    tint: warmth?.tint ?? 0,
    curve: curve?.points ?? STRAIGHT,
  }
}

/** Moves that these sliders stand for; what the card has no handle for (hue shifts, other hues) is kept as it was. */
export function movesOf(s: Sliders, before: Move[]): Move[] {
  const chroma = before.find((m) => m.kind === 'chroma-moves')
  const others = chroma?.byHue.filter((p) => !HUES.some((h) => h.hue === p.hue)) ?? []
  const byHue = HUES.map((h, i) => {
    const was = chroma?.byHue.find((p) => p.hue === h.hue)
    return { hue: h.hue, chroma: 1 + (s.byHue[i] ?? 0) / 100, shift: was?.shift ?? 0, lighter: was?.lighter ?? 0 }
  })
  const moved = byHue.some((p) => p.chroma !== 1 || p.shift !== 0 || p.lighter !== 0)
  const points = moved && others.length === 0 ? byHue : others
  const all: Move[] = []
  if (s.curve.some((p) => p.from !== p.to) || s.curve.length > 2) all.push({ kind: 'lightness-curve', points: s.curve })
  if (s.shadows || s.midtones || s.lights || s.contrast || s.brightness)
    all.push({
      kind: 'tone-moves',
      shadows: s.shadows,
      midtones: s.midtones,
      lights: s.lights,
      contrast: s.contrast,
      brightness: s.brightness,
      pivot: s.pivot,
    })
  if (s.chroma || points.length > 0) all.push({ kind: 'chroma-moves', chroma: 1 + s.chroma / 100, byHue: points })
  if (s.warmth || s.tint) all.push({ kind: 'warmth', warmth: s.warmth, tint: s.tint })
  return all
}

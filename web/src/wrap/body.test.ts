import { describe, expect, it } from 'vitest'
import { folded, type Point, type Shown, tip } from './body'

const shown = (corners: 'FOLDED' | 'MITRED'): Shown => ({
  body: {
    faceWidthMm: 600,
    faceHeightMm: 400,
    support: { kind: 'BARS', depthMm: 38, airGapMm: 0 },
    turnOver: { widthMm: 25, playMm: 0, printed: false, bleedMm: 3 },
    thicknessMm: 0.48,
    growth: null as never,
  },
  lines: {
    flatMm: { x: 100, y: 50, width: 729, height: 529 },
    faceMm: { x: 164.5, y: 114.5, width: 600, height: 400 },
    backMm: { x: 125.4, y: 75.4, width: 678.2, height: 478.2 },
    shownMm: { x: 125.75, y: 75.75, width: 677.5, height: 477.5 },
  },
  printed: { x: 122.75, y: 72.75, width: 683.5, height: 483.5 },
  corners,
})

const apart = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])

describe('a print on its way round a body', () => {
  it('lies flat at first and stands round the body in the end', () => {
    const flat = folded(shown('FOLDED'), 0).flatMap((s) => s.corners)
    expect(Math.max(...flat.map((c) => Math.abs(c.at[2])))).toBeLessThan(1e-9)
    expect(Math.max(...flat.map((c) => c.at[0]))).toBeCloseTo(300 + 38 + 25)
    const round = folded(shown('FOLDED'), 1).flatMap((s) => s.corners)
    expect(Math.max(...round.map((c) => Math.abs(c.at[0])))).toBeLessThan(300.7)
    expect(Math.min(...round.map((c) => c.at[2]))).toBeCloseTo(-38)
    expect(Math.max(...round.map((c) => Math.abs(c.at[1])))).toBeLessThan(201.3)
  })

  it('stretches nothing on the way', () => {
    const sizes = (fold: number) =>
      folded(shown('FOLDED'), fold).flatMap((s) =>
        s.corners.map((c, i) => apart(c.at, (s.corners[(i + 1) % s.corners.length] ?? c).at)),
      )
    const flat = sizes(0)
    for (const fold of [0.2, 0.5, 0.74, 0.9, 1]) {
      sizes(fold).forEach((length, i) => {
        expect(Math.abs(length - (flat[i] ?? 0))).toBeLessThan(1)
      })
    }
  })

  it('takes the face from the face and the sides from what lies beside it', () => {
    const [face, right] = folded(shown('FOLDED'), 1)
    expect(face?.corners[0]?.on?.[0]).toBeCloseTo((164.5 - 122.75) / 683.5)
    expect(face?.corners[2]?.on?.[1]).toBeCloseTo(1 - (114.5 - 72.75) / 483.5)
    expect(right?.corners[1]?.on?.[0]).toBeCloseTo((125.75 + 677.5 - 122.75) / 683.5)
  })

  it('has flaps only where corners are folded, and bare paper behind', () => {
    expect(folded(shown('FOLDED'), 1)).toHaveLength(9 + 8)
    const mitred = folded(shown('MITRED'), 1)
    expect(mitred).toHaveLength(9)
    expect(mitred[2]?.corners.every((c) => c.on === undefined)).toBe(true)
  })

  it('keeps a tip as far from its neighbours as on the flat print', () => {
    for (const angle of [0.1, 0.7, 1.2, Math.PI / 2]) {
      const [c, s] = [Math.cos(angle), Math.sin(angle)]
      const { q, z } = tip(38, c, s)
      expect(Math.hypot(q, q, z)).toBeCloseTo(38 * Math.SQRT2, 6)
      expect(Math.hypot(q - 38 * c, q, z + 38 * s)).toBeCloseTo(38, 6)
    }
  })

  it('shows each surface from its printed side', () => {
    for (const s of folded(shown('FOLDED'), 0)) {
      const [a, b, c] = s.corners.map((k) => k.at)
      if (!a || !b || !c) throw new Error('a surface of less than three corners')
      expect((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])).toBeGreaterThan(0)
    }
  })
})

import { expect, test } from 'vitest'
import type { GangDocket } from '../api/types'
import { pieceAt, snapped } from './spots'

const EDGES = { low: 3, high: 297 }

test('a print snaps to the printable edge, the middle and a gutter from its neighbour', () => {
  expect(snapped(4.5, 100, EDGES, [], 8)).toBe(3)
  expect(snapped(196, 100, EDGES, [], 8)).toBe(197)
  expect(snapped(101, 100, EDGES, [], 8)).toBe(100)
  expect(snapped(69.5, 100, EDGES, [[20, 60]], 8)).toBe(68)
  expect(snapped(75, 100, EDGES, [[20, 60]], 8)).toBe(75)
})

test('a print on a page is found among the places of the plan, on pages that repeat them too', () => {
  const spot = (itemId: string, page: number) => ({ itemId, page, x: 0, y: 0, turned: false })
  const placed = (id: string) => ({ id, itemId: id.replace(/\..*/, '') })
  const view = {
    spec: { plan: { spots: [spot('a', 1), spot('b', 2), spot('a', 1)] } },
    layout: {
      pages: [{ placed: [placed('a'), placed('a.2')] }, { placed: [placed('b')] }, { placed: [placed('a'), placed('a.2')] }],
    },
  } as unknown as GangDocket
  expect(pieceAt(view, 0, 'a.2')).toBe(2)
  expect(pieceAt(view, 1, 'b')).toBe(1)
  expect(pieceAt(view, 2, 'a')).toBe(0)
  expect(pieceAt(view, 0, 'b')).toBe(-1)
})

import { expect, test } from 'vitest'
import { asked, gamutUrl, proofUrl } from './pictures'
import type { DocketView, OnDocket } from './types'

const view = (tones: object | null) =>
  ({
    pairing: { pairingId: 'p1', number: 4, intent: 'RELATIVE' },
    spec: { colour: { route: { kind: 'driver-monochrome' } } },
    pictures: [{ renditionId: 'r1', master: { hash: 'm1' }, stamps: [], tones }],
  }) as unknown as DocketView

const first = (v: DocketView) => v.pictures[0] as OnDocket

test('the proof of a measured mode names the measurement, so that it can be kept for ever', () => {
  const measured = view({ key: 'abc.on', wedge: 12 })
  expect(proofUrl(measured, first(measured), 900)).toContain('&tone=abc.on')
  expect(gamutUrl(measured, first(measured), 900)).toContain('&tone=abc.on')
  const off = view({ key: 'abc.off', wedge: 12 })
  expect(proofUrl(off, first(off), 900)).not.toBe(proofUrl(measured, first(measured), 900))
})

test('where nothing was measured nothing is named', () => {
  expect(proofUrl(view(null), first(view(null)), 900)).not.toContain('tone=')
})

test('two renditions of one master are each proofed as their own tones are', () => {
  const two = view({ key: 'abc.on' })
  const other = { ...first(two), renditionId: 'r2', tones: { key: 'abc.off' } } as OnDocket
  two.pictures.push(other)
  expect(proofUrl(two, other, 900)).toContain('&tone=abc.off')
  expect(proofUrl(two, first(two), 900)).toContain('&tone=abc.on')
})

test('a mark of one’s own lies over the proof, on what is printed, and is no part of what figures are asked with', () => {
  const stamp = {
    art: { kind: 'WORDS', name: 'me', content: 'me', aspect: 4 },
    x: 0.8,
    y: 0.9,
    width: 0.1,
    height: 0.05,
    opacity: 1,
    ink: 'OWN',
  } as const
  const framed = { x: 0.1, y: 0, width: 0.8, height: 1, degrees: 0 }
  const marked = { ...first(view(null)), stamps: [stamp], framed } as OnDocket
  const url = new URL(proofUrl(view(null), marked, 900), 'http://localhost')
  const change = JSON.parse(url.searchParams.get('change') ?? '{}')
  expect(change.stamps).toEqual([stamp])
  expect(change.framed).toEqual(framed)
  expect(asked({ treatment: { kind: 'colour' }, moves: [], framed })).toEqual({})
})

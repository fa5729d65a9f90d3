import { expect, test } from 'vitest'
import { gamutUrl, proofUrl } from './pictures'
import type { DocketView, OnDocket } from './types'

const view = (tones: object | null) =>
  ({
    pairing: { pairingId: 'p1', number: 4, intent: 'RELATIVE' },
    spec: { colour: { route: { kind: 'driver-monochrome' } } },
    pictures: [{ renditionId: 'r1', master: { hash: 'm1' }, tones }],
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

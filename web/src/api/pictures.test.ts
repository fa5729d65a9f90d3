import { expect, test } from 'vitest'
import { gamutUrl, proofUrl } from './pictures'
import type { DocketView } from './types'

const view = (tones: object | null) =>
  ({
    pairing: { pairingId: 'p1', number: 4, intent: 'RELATIVE' },
    spec: { route: { kind: 'driver-monochrome' } },
    pictures: [{ renditionId: 'r1', master: { hash: 'm1' }, tones }],
  }) as unknown as DocketView

test('the proof of a measured mode names the measurement, so that it can be kept for ever', () => {
  const measured = view({ key: 'abc.on', wedge: 12 })
  expect(proofUrl(measured, 'm1', 900)).toContain('&tone=abc.on')
  expect(gamutUrl(measured, 'm1', 900)).toContain('&tone=abc.on')
  expect(proofUrl(view({ key: 'abc.off', wedge: 12 }), 'm1', 900)).not.toBe(proofUrl(measured, 'm1', 900))
})

test('where nothing was measured nothing is named', () => {
  expect(proofUrl(view(null), 'm1', 900)).not.toContain('tone=')
  expect(proofUrl(view({ key: 'abc.on' }), 'another', 900)).not.toContain('tone=')
})

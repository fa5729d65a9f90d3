// @vitest-environment jsdom

import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import type { DocketView } from '../api/types'
import { PictureStrip } from './PictureStrip'

afterEach(cleanup)
Element.prototype.scrollIntoView = vi.fn()

const view = {
  pictures: ['a', 'b', 'c'].map((id) => ({ renditionId: id, master: { hash: id, fileName: `${id}.jpg` } })),
  spec: { renditions: ['a', 'b', 'c'].map((id) => ({ id, treatment: { kind: 'colour' } })) },
} as unknown as DocketView

test('one picture after the other is shown by the keys, and none past the last', () => {
  const shown = vi.fn()
  const { rerender } = render(<PictureStrip view={view} shown="a" onShow={shown} />)
  fireEvent.keyDown(window, { key: '.' })
  expect(shown).toHaveBeenLastCalledWith('b')
  fireEvent.keyDown(window, { key: ',' })
  expect(shown).toHaveBeenLastCalledWith('a')
  rerender(<PictureStrip view={view} shown="c" onShow={shown} />)
  fireEvent.keyDown(window, { key: '.' })
  expect(shown).toHaveBeenLastCalledWith('c')
  fireEvent.keyDown(screen.getByRole('tab', { selected: true }), { key: 'Home' })
  expect(shown).toHaveBeenLastCalledWith('a')
})

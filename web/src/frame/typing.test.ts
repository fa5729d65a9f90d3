import { expect, test } from 'vitest'
import { typing } from './Frame'

const at = (tagName: string, more: object = {}) => ({ target: { tagName, ...more } as unknown as EventTarget })

test('keys are text in fields that take text', () => {
  for (const type of ['text', 'search', 'number', '']) expect(typing(at('INPUT', { type }))).toBe(true)
  expect(typing(at('TEXTAREA'))).toBe(true)
  expect(typing(at('DIV', { isContentEditable: true }))).toBe(true)
})

test('after a click on a radio button, a checkbox or a slider the shortcuts go on', () => {
  for (const type of ['radio', 'checkbox', 'range', 'button', 'file']) expect(typing(at('INPUT', { type }))).toBe(false)
  expect(typing(at('BUTTON'))).toBe(false)
  expect(typing(at('DIV'))).toBe(false)
  expect(typing({ target: null })).toBe(false)
})

import { expect, test } from 'vitest'
import { KEYS, type KeyName, keyOf, typing } from './keys'

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

const pressed = (key: string, more: object = {}) => keyOf({ key, ctrlKey: false, metaKey: false, shiftKey: false, ...more })

test('each key of the list is found by its press, and by no other', () => {
  const found = new Map<string, KeyName>()
  for (const [name, shortcut] of Object.entries(KEYS) as [KeyName, (typeof KEYS)[KeyName]][]) {
    for (const key of shortcut.keys) {
      const control = 'control' in shortcut
      const shift = 'shift' in shortcut && shortcut.shift
      expect(pressed(key, { ctrlKey: control, shiftKey: shift })).toBe(name)
      const press = `${control} ${shift} ${key}`
      expect(found.get(press)).toBeUndefined()
      found.set(press, name)
    }
  }
})

test('capitals count as their letters, Command as Control', () => {
  expect(pressed('M', { shiftKey: true })).toBe('master')
  expect(pressed('Z', { metaKey: true, shiftKey: true })).toBe('redo')
})

test("the browser's own shortcuts are none of ours", () => {
  expect(pressed('b', { ctrlKey: true })).toBeUndefined()
  expect(pressed('z')).toBeUndefined()
  expect(pressed('F5')).toBeUndefined()
})

import { useEffect, useRef } from 'react'

type Press = { key: string; ctrlKey: boolean; metaKey: boolean; shiftKey: boolean }
type Shortcut = {
  /** As the list of keys shows it. */
  shown: string
  what: string
  /** Lower case; several are told apart by whoever listens. */
  keys: string[]
  control?: boolean
  shift?: boolean
}

/** Every key of Wistel, in the order of the list that `?` shows. */
export const KEYS = {
  stationBefore: { shown: '[', what: 'the station before', keys: ['['] },
  stationAfter: { shown: ']', what: 'the next station', keys: [']'] },
  pictureBefore: { shown: ',', what: 'the picture before, of several on a docket', keys: [','] },
  pictureAfter: { shown: '.', what: 'the next picture', keys: ['.'] },
  master: { shown: 'M', what: 'hold: see the master', keys: ['m'] },
  bare: { shown: 'N', what: 'hold: see the proof without the compensation', keys: ['n'] },
  surround: { shown: 'B', what: 'change the surround of the booth', keys: ['b'] },
  outside: { shown: 'G', what: 'show what the paper cannot hold', keys: ['g'] },
  intent: { shown: '1 to 4', what: 'choose the intent in the proof', keys: ['1', '2', '3', '4'] },
  undo: { shown: 'Ctrl Z', what: 'undo the last decision', keys: ['z'], control: true, shift: false },
  redo: { shown: 'Ctrl Shift Z', what: 'do it again', keys: ['z'], control: true, shift: true },
  find: { shown: '/', what: 'find a docket', keys: ['/'] },
  help: { shown: '?', what: 'these keys', keys: ['?'] },
} satisfies Record<string, Shortcut>

export type KeyName = keyof typeof KEYS

/** Which key of ours a press is. Where control makes no difference to us, the browser's own shortcuts are left alone. */
export function keyOf(press: Press): KeyName | undefined {
  const names = Object.keys(KEYS) as KeyName[]
  return names.find((name) => {
    const { keys, control = false, shift }: Shortcut = KEYS[name]
    return (
      keys.includes(press.key.toLowerCase()) &&
      control === (press.ctrlKey || press.metaKey) &&
      (shift === undefined || shift === press.shiftKey)
    )
  })
}

/** Kinds of input whose keys are text; a radio button or a slider takes none of ours. */
const TEXT = /^(text|search|url|tel|email|password|number|date|time|)$/

export function typing(e: { target: EventTarget | null }) {
  const at = e.target as HTMLElement | null
  if (!at?.tagName) return false
  if (at.isContentEditable || at.tagName === 'TEXTAREA' || at.tagName === 'SELECT') return true
  return at.tagName === 'INPUT' && TEXT.test((at as HTMLInputElement).type) && !(at as HTMLInputElement).readOnly
}

/** What each key does while a part of a page is there; keys that are held are told when they are let go too, with `down` false. */
export type Handlers = Partial<Record<KeyName, (press: { key: string; down: boolean }) => void>>

/** Keys that mean something while they are held. */
const HELD: KeyName[] = ['master', 'bare']

export function useKeys(handlers: Handlers) {
  const now = useRef(handlers)
  now.current = handlers
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (typing(e)) return
      const name = keyOf(e)
      const act = name && now.current[name]
      const down = e.type === 'keydown'
      if (!act || (!down && !HELD.includes(name))) return
      // undo is ours and not the browser's, and / is not text in the field that it opens
      if (down && !HELD.includes(name)) e.preventDefault()
      act({ key: e.key, down })
    }
    window.addEventListener('keydown', press)
    window.addEventListener('keyup', press)
    return () => {
      window.removeEventListener('keydown', press)
      window.removeEventListener('keyup', press)
    }
  }, [])
}

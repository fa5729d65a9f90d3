import { type KeyboardEvent, type PointerEvent, useRef } from 'react'
import type { LightFigures } from '../api/types'
import { HIGHEST, LOWEST, type Shining } from './useLights'
import { LIGHT } from './words'

const STEP = 1.03
const FIELD_STOPS = 4
const KELVIN_WIDE = 4500
/** Bluer than any sky that lights a wall. */
const COLDEST = 12_000

const within = ({ lux, kelvin }: Shining): Shining => ({
  lux: Number(Math.max(LOWEST.lux, Math.min(HIGHEST.lux, lux)).toPrecision(3)),
  kelvin: Math.round(Math.max(LOWEST.kelvin, Math.min(COLDEST, kelvin)) / 50) * 50,
})

/** The screen's white beside white paper in this light; dragged up and down for brightness, sideways for colour. */
export function MatchField({
  figures,
  light,
  onDrag,
  onDone,
}: {
  figures: LightFigures | undefined
  light: Shining
  onDrag: (next: Shining) => void
  onDone: (next: Shining) => void
}) {
  const from = useRef<{ x: number; y: number; light: Shining } | undefined>(undefined)
  const dragged = (e: PointerEvent): Shining | undefined => {
    const began = from.current
    if (!began) return undefined
    const box = e.currentTarget.getBoundingClientRect()
    return within({
      lux: began.light.lux * 2 ** ((FIELD_STOPS * (began.y - e.clientY)) / box.height),
      kelvin: began.light.kelvin + (KELVIN_WIDE * (e.clientX - began.x)) / box.width,
    })
  }
  const keyed = (e: KeyboardEvent) => {
    const by = { ArrowUp: [STEP, 0], ArrowDown: [1 / STEP, 0], ArrowRight: [1, 50], ArrowLeft: [1, -50] }[e.key]
    if (!by) return
    e.preventDefault()
    const often = e.shiftKey ? 10 : 1
    onDone(within({ lux: light.lux * (by[0] ?? 1) ** often, kelvin: light.kelvin + (by[1] ?? 0) * often }))
  }
  const paper = figures?.beside.join(' ') ?? '128 128 128'
  return (
    <div className="match-field">
      <span className="screen-white" />
      <span
        className="paper-white"
        role="slider"
        tabIndex={0}
        aria-label={LIGHT.field}
        aria-valuemin={LOWEST.lux}
        aria-valuemax={HIGHEST.lux}
        aria-valuenow={light.lux}
        aria-valuetext={`${light.lux} lx, ${light.kelvin} K`}
        style={{ background: `rgb(${paper})`, color: (figures?.beside[1] ?? 0) > 110 ? '#000' : '#fff' }}
        onKeyDown={keyed}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId)
          from.current = { x: e.clientX, y: e.clientY, light }
        }}
        onPointerMove={(e) => {
          const next = dragged(e)
          if (next) onDrag(next)
        }}
        onPointerUp={(e) => {
          const next = dragged(e)
          from.current = undefined
          if (next) onDone(next)
        }}
      >
        ↕ {figures ? LIGHT.ofScreen(figures.ratio) : ''}
      </span>
    </div>
  )
}

import { InputNumber } from 'antd'
import { HIGHEST, LOWEST, type Shining } from './useLights'
import { LIGHT } from './words'

/** Lux and colour temperature, typed. */
export function LightNumbers({
  of,
  value,
  onTyped,
}: {
  /** Whose they are, where several stand below one another. */
  of?: string
  value: Shining
  onTyped: (next: Shining) => void
}) {
  const label = (what: string) => (of ? `${what}, ${of}` : what)
  return (
    <>
      <InputNumber
        aria-label={label(LIGHT.lux)}
        className="number"
        min={LOWEST.lux}
        max={HIGHEST.lux}
        value={value.lux}
        onChange={(lux) => lux && onTyped({ ...value, lux })}
      />{' '}
      <span className="soft">{LIGHT.lx}</span>{' '}
      <InputNumber
        aria-label={label(LIGHT.kelvin)}
        className="number"
        min={LOWEST.kelvin}
        max={HIGHEST.kelvin}
        step={100}
        value={value.kelvin}
        onChange={(kelvin) => kelvin && kelvin >= LOWEST.kelvin && onTyped({ ...value, kelvin })}
      />{' '}
      <span className="soft">{LIGHT.k}</span>
    </>
  )
}

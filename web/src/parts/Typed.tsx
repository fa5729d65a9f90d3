import { Input } from 'antd'
import { mm } from './numbers'
import './typed.css'

/** A length that is written over where it stands; empty where it isn't known. */
export function Typed({
  label,
  value,
  decimals,
  onEnter,
}: {
  label: string
  value: number | undefined
  decimals?: number
  onEnter: (text: string) => void
}) {
  const shown = value === undefined ? '' : decimals ? value.toFixed(decimals) : mm(value)
  return (
    <Input
      key={shown}
      className="typed"
      variant="borderless"
      aria-label={label}
      defaultValue={shown}
      placeholder="?"
      onFocus={(e) => e.target.select()}
      onPressEnter={(e) => e.currentTarget.blur()}
      onKeyDown={(e) => {
        if (value !== undefined && (e.key === 'ArrowUp' || e.key === 'ArrowDown')) {
          e.preventDefault()
          onEnter(`${Math.max(0, Math.round((value + (e.key === 'ArrowUp' ? 1 : -1) * (e.shiftKey ? 10 : 1)) * 100) / 100)}`)
        }
      }}
      onBlur={(e) => e.target.value.trim() !== shown && onEnter(e.target.value)}
    />
  )
}

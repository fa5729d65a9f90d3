import { Radio } from 'antd'
import type { ReactNode } from 'react'
import './choices.css'

type Choice<T extends string> = { value: T; shown: ReactNode; title?: string | undefined; className?: string; disabled?: boolean }
type Props<T extends string> = {
  className: string
  value: T | undefined
  choices: Choice<T>[]
  onChoose: (value: T) => void
} & ({ 'aria-label': string } | { 'aria-labelledby': string })

/** Radio buttons that look like what they choose: the whole of each is pressed, arrow keys go from one to the next. */
export function Choices<T extends string>({ className, value, choices, onChoose, ...name }: Props<T>) {
  return (
    <Radio.Group className={`choices ${className}`} value={value ?? ''} onChange={(e) => onChoose(e.target.value)} {...name}>
      {choices.map((c) => (
        <Radio
          key={c.value}
          value={c.value}
          className={`${c.value === value ? 'chosen' : ''} ${c.className ?? ''}`}
          disabled={c.disabled ?? false}
          {...(c.title ? { title: c.title } : {})}
        >
          {c.shown}
        </Radio>
      ))}
    </Radio.Group>
  )
}

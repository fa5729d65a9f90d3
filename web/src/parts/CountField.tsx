import { InputNumber } from 'antd'

/** A whole number from 1 on, told when it was typed to its end; what is none is left as it was. */
export function CountField({
  label,
  value,
  most,
  onEnter,
}: {
  label: string
  /** Nothing where several differ. */
  value: number | undefined
  most: number
  onEnter: (count: number) => void
}) {
  return (
    <InputNumber
      key={value}
      size="small"
      className="number"
      min={1}
      max={most}
      controls={false}
      aria-label={label}
      {...(value === undefined ? {} : { defaultValue: value })}
      onBlur={(e) => {
        const count = Math.min(most, Number(e.target.value))
        if (Number.isInteger(count) && count >= 1 && count !== value) onEnter(count)
      }}
      // Enter comes to what is round the field
      onPressEnter={(e) => (e.target as HTMLInputElement).blur()}
    />
  )
}

import { Input } from 'antd'

/** The day on which a reading was measured that is brought as a file; today where nothing is said. */
export function MeasuredOn({ value, onChange }: { value: string; onChange: (day: string) => void }) {
  return (
    <span className="measured-on soft">
      measured on{' '}
      <Input
        type="date"
        size="small"
        aria-label="Measured on; today if left empty"
        value={value}
        max={new Date().toISOString().slice(0, 10)}
        onChange={(e) => onChange(e.target.value)}
      />
    </span>
  )
}

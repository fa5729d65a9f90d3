import { DatePicker } from 'antd'
import dayjs from 'dayjs'

/** Days as all other dates are written here, and as the server takes them. */
const SHOWN = 'D MMM YYYY'
const SENT = 'YYYY-MM-DD'

/** The day on which a reading was measured that is brought as a file; today where nothing is said. */
export function MeasuredOn({ value, onChange }: { value: string; onChange: (day: string) => void }) {
  return (
    <span className="measured-on soft">
      measured on{' '}
      <DatePicker
        size="small"
        format={[SHOWN, SENT]}
        placeholder="today"
        aria-label="Measured on; today if left empty"
        value={value ? dayjs(value, SENT) : null}
        maxDate={dayjs()}
        onChange={(day) => onChange(day ? day.format(SENT) : '')}
      />
    </span>
  )
}

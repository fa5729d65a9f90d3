import { Button } from 'antd'
import type { Change, Finding } from '../api/types'
import type { DocketTools } from '../docket/useDocket'
import { MarkSign } from './MarkSign'
import './findings.css'

/** What is wrong or doubtful: why, what it does to the print, and the buttons that mend it. */
export function Findings({ findings, tools }: { findings: Finding[]; tools: DocketTools }) {
  if (findings.length === 0) return null
  return (
    <div>
      {findings.map((f) => (
        <div className="finding" key={f.code} data-code={f.code}>
          <MarkSign mark={f.severity} size={13} />
          <span className="what">{f.what}</span>
          <span className="effect">{f.effect}</span>
          {f.mends.length > 0 && (
            <span className="mends">
              {f.mends.map((mend) => (
                <Button size="small" key={mend.label} onClick={() => tools.decide(mend.change as Change)}>
                  {mend.label}
                </Button>
              ))}
            </span>
          )}
        </div>
      ))}
    </div>
  )
}

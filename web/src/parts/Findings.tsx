import { Button } from 'antd'
import type { DocketView, Finding } from '../api/types'
import type { DocketTools } from '../docket/useDocket'
import { MarkSign } from './MarkSign'
import { pieceName } from './pieces'
import './findings.css'

const SUBJECTS = { 'whole-docket': 'times', 'of-picture': 'pictures', 'of-piece': 'pieces', 'on-page': 'pages' }

/** "3 pieces", or where they are of several kinds, how many. */
const counted = (subjects: Finding['subjects']) => {
  const kinds = [...new Set(subjects.map((s) => s.kind))]
  return `${subjects.length} ${kinds.length === 1 && kinds[0] ? SUBJECTS[kinds[0]] : 'times'}`
}

/** Which of several pieces or pictures is meant; nothing where there is one. */
function named(view: DocketView, subject: Finding['subjects'][number] | undefined) {
  if (subject?.kind === 'of-piece' && view.spec.items.length > 1) {
    const item = view.spec.items.find((i) => i.id === subject.itemId)
    return item ? ` (${pieceName(view, item)})` : ''
  }
  if (subject?.kind === 'of-picture' && view.pictures.length > 1) {
    const picture = view.pictures.find((p) => p.renditionId === subject.renditionId)
    return picture ? ` (${picture.master.fileName})` : ''
  }
  return ''
}

/** What is wrong or doubtful: why, what it does to the print, and the buttons that mend it. */
export function Findings({
  findings,
  tools,
  view,
  numbers = {},
}: {
  findings: Finding[]
  tools: DocketTools
  view: DocketView
  numbers?: Record<string, number>
}) {
  if (findings.length === 0) return null
  return (
    <div>
      {findings.map((f) => (
        <div className="finding" key={`${f.code} ${f.what}`} data-code={f.code}>
          <MarkSign mark={f.severity} size={13} />
          <span className="what">
            {numbers[f.code] !== undefined && `${numbers[f.code]} `}
            {f.what}
            {f.subjects.length > 1 ? ` (${counted(f.subjects)})` : named(view, f.subjects[0])}
          </span>
          <span className="effect">{f.effect}</span>
          {f.fixes.length > 0 && (
            <span className="mends">
              {f.fixes.map((mend) => (
                <Button size="small" key={mend.label} onClick={() => tools.decide(mend.change)}>
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

/** What one station decides and is wrong or doubtful, at the top of its card. */
export function StationFindings({
  view,
  tools,
  stage,
  without = [],
}: {
  view: DocketView
  tools: DocketTools
  stage: Finding['stage']
  without?: string[]
}) {
  const all = view.findings.filter((f) => f.stage === stage && !without.includes(f.code))
  const notes = view.spec.items.length > 1 ? all.filter((f) => f.severity === 'NOTE') : []
  return all.length === 0 ? null : (
    <section className="station-findings" aria-label="What to look at here">
      <Findings findings={all.filter((f) => !notes.includes(f))} tools={tools} view={view} />
      {notes.length > 0 && (
        <details>
          <summary>
            <MarkSign mark="NOTE" size={13} /> {notes.length === 1 ? 'one thing to know' : `${notes.length} things to know`}
          </summary>
          <Findings findings={notes} tools={tools} view={view} />
        </details>
      )}
    </section>
  )
}

/** Those that the sheet points at, in the order in which they stand. */
const ON_THE_SHEET = [
  'ON_UNPRINTABLE_EDGE',
  'ENDS_WAIVED',
  'MEDIA_TYPE_DIFFERS',
  'DRIVER_CONVERTS',
  'NO_DEVICE_SPACE',
  'NOBODY_CONVERTS',
  'MONOCHROME_UNMEASURED',
]

export function numbered(findings: Finding[]): Record<string, number> {
  const codes = [...new Set(findings.map((f) => f.code).filter((c) => ON_THE_SHEET.includes(c)))]
  return Object.fromEntries(codes.map((c, i) => [c, i + 1]))
}

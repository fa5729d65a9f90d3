import type { StationProps } from '../docket/useDocket'

/** How the picture sits on its paper; small drawings of what comes out. */
export function PlanChoice({ view, tools }: StationProps) {
  const wrapped = view.spec.plan.kind === 'wrap'
  return (
    <section>
      <h2 className="head">How it is made up</h2>
      <div className="plans" role="radiogroup" aria-label="How it is made up">
        <button type="button" role="radio" aria-checked={!wrapped} onClick={() => wrapped && tools.change({ kind: 'unwrap' })}>
          <svg width="30" height="22" aria-hidden="true">
            <rect x="0.5" y="0.5" width="29" height="21" className="made-paper" />
            <rect x="5" y="4" width="20" height="12" className="made-picture" />
          </svg>
          one picture
        </button>
        <button type="button" role="radio" aria-checked={wrapped} onClick={() => !wrapped && tools.change({ kind: 'wrap' })}>
          <svg width="30" height="22" aria-hidden="true">
            <path d="M2 5L22 2V17L2 20Z" className="made-picture" />
            <path d="M22 2L28 4V15L22 17Z" className="made-side" />
          </svg>
          wrapped
        </button>
      </div>
    </section>
  )
}

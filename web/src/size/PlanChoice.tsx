import type { StationProps } from '../docket/useDocket'
import { PLAN_KINDS, PLANS } from './plans'

/** How the picture sits on its paper; small drawings of what comes out. */
export function PlanChoice({ view, tools }: Pick<StationProps, 'view' | 'tools'>) {
  const now = view.spec.plan.kind
  return (
    <section>
      <h2 className="head">How it is made up</h2>
      <div className="plans" role="radiogroup" aria-label="How it is made up">
        {PLAN_KINDS.map((kind) => (
          <button
            type="button"
            role="radio"
            key={kind}
            aria-checked={kind === now}
            onClick={() => kind !== now && tools.change({ kind: 'plan', plan: kind })}
          >
            {PLANS[kind].drawing}
            {PLANS[kind].name}
          </button>
        ))}
      </div>
    </section>
  )
}

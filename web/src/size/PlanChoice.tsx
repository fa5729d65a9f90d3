import type { StationProps } from '../docket/useDocket'
import { Choices } from '../parts/Choices'
import { PLAN_KINDS, PLANS } from './plans'

/** How the picture sits on its paper; small drawings of what comes out. */
export function PlanChoice({ view, tools }: Pick<StationProps, 'view' | 'tools'>) {
  const now = view.spec.plan.kind
  return (
    <section>
      <h2 className="head">How it is made up</h2>
      <Choices
        className="plans"
        aria-label="How it is made up"
        value={now}
        choices={PLAN_KINDS.map((kind) => ({
          value: kind,
          shown: (
            <>
              {PLANS[kind].drawing}
              {PLANS[kind].name}
            </>
          ),
        }))}
        onChoose={(plan) => tools.change({ kind: 'plan', plan })}
      />
    </section>
  )
}

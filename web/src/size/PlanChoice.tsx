import { useNavigate } from 'react-router'
import { answer } from '../api/client'
import type { StationProps } from '../docket/useDocket'
import { Choices } from '../parts/Choices'
import { PLAN_KINDS, PLANS } from './plans'

/** How the picture sits on its paper; small drawings of what comes out. A test strip is a docket of its own, and stays one. */
export function PlanChoice({ view, tools }: Pick<StationProps, 'view' | 'tools'>) {
  const navigate = useNavigate()
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
          disabled: PLANS[now].opens === true && kind !== now,
          title:
            PLANS[now].opens && kind !== now ? 'A strip stays one; the docket that it came from prints the picture.' : undefined,
          shown: (
            <>
              {PLANS[kind].drawing}
              {PLANS[kind].name}
            </>
          ),
        }))}
        onChoose={(plan) =>
          PLANS[plan].opens
            ? answer(PLANS[plan].take(view)).then((made) => navigate(`/dockets/${made.id}/size`), tools.complain)
            : tools.change({ kind: 'plan', plan })
        }
      />
    </section>
  )
}

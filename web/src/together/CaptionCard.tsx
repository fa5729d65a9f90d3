import type { GangProps } from '../docket/useDocket'
import { AnnotationFields } from '../size/AroundCard'

/** What stands round the pieces that are picked, or round all; shown as the first of them has it. */
export function CaptionCard({ view, tools, picked }: GangProps & { picked: string[] }) {
  const itemIds = picked.length > 0 ? picked : view.spec.plan.pieces
  const first = view.spec.items.find((i) => i.id === itemIds[0])
  if (!first) return null
  return (
    <>
      <p className="soft">
        {picked.length > 0
          ? `Of the ${picked.length === 1 ? 'picture that is' : `${picked.length} pictures that are`} picked:`
          : 'Of all pictures; pick some to change only these:'}
      </p>
      <AnnotationFields
        now={first.annotation}
        several={itemIds.length > 1}
        onChange={(annotation) => tools.decide({ kind: 'all-annotated', itemIds, annotation })}
      />
    </>
  )
}

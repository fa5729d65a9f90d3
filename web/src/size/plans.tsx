import type { ReactNode } from 'react'
import { api, since } from '../api/client'
import type { components } from '../api/schema'
import type { DocketSpec } from '../api/types'

export type PlanKind = DocketSpec['plan']['kind']

type Planned = components['schemas']['DocketView']

type PlanEntry = {
  name: string
  /** Of what comes out, small. */
  drawing: ReactNode
  /** Goes over to it from any other. */
  take: (docket: string, version: number) => Promise<{ data?: Planned }>
  /** A lab gets the whole sheet, since its marks are needed. */
  marked: boolean
}

/** The ways in which work is made up, in the order in which they are offered. */
export const PLANS: Record<PlanKind, PlanEntry> = {
  single: {
    name: 'one picture',
    drawing: (
      <svg width="30" height="22" aria-hidden="true">
        <rect x="0.5" y="0.5" width="29" height="21" className="made-paper" />
        <rect x="5" y="4" width="20" height="12" className="made-picture" />
      </svg>
    ),
    take: (id, version) => api.DELETE('/api/dockets/{id}/wrap', { params: { path: { id }, header: since(version) } }),
    marked: false,
  },
  wrap: {
    name: 'wrapped',
    drawing: (
      <svg width="30" height="22" aria-hidden="true">
        <path d="M2 5L22 2V17L2 20Z" className="made-picture" />
        <path d="M22 2L28 4V15L22 17Z" className="made-side" />
      </svg>
    ),
    take: (id, version) => api.POST('/api/dockets/{id}/wrap', { params: { path: { id }, header: since(version) } }),
    marked: true,
  },
}

export const PLAN_KINDS = Object.keys(PLANS) as PlanKind[]

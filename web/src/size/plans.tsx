import type { ReactNode } from 'react'
import { api, since } from '../api/client'
import type { components } from '../api/schema'
import type { DocketSpec, DocketView } from '../api/types'

export type PlanKind = DocketSpec['plan']['kind']

type Planned = components['schemas']['DocketView']

type PlanEntry = {
  name: string
  /** Of what comes out, small. */
  drawing: ReactNode
  /** Goes over to it from any other; a docket of its own where it says so. */
  take: (view: DocketView) => Promise<{ data?: Planned }>
  opens?: true
  /** A lab gets the whole sheet, since its marks are needed. */
  marked: boolean
}

const params = ({ id, version }: Pick<DocketView, 'id' | 'version'>) => ({ path: { id }, header: since(version) })

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
    take: (view) => api.PATCH('/api/dockets/{id}', { params: params(view), body: { kind: 'on-one-sheet' } }),
    marked: false,
  },
  gang: {
    name: 'together',
    drawing: (
      <svg width="30" height="22" aria-hidden="true">
        <rect x="0.5" y="0.5" width="29" height="21" className="made-paper" />
        <path d="M3 3h14v9H3zM19 3h8v9h-8zM3 14h8v5H3zM13 14h14v5H13z" className="made-picture" />
      </svg>
    ),
    take: (view) =>
      api.PATCH('/api/dockets/{id}', {
        params: params(view),
        body: {
          kind: 'gathered',
          arrangement: { way: 'CUT_ACROSS', gutterMm: 8, cutMarks: true, longestMm: 0, rows: { alike: 'FRAMES', aPage: 0 } },
        },
      }),
    marked: true,
  },
  tiled: {
    name: 'over sheets',
    drawing: (
      <svg width="30" height="22" aria-hidden="true">
        <path d="M1 1h13v9H1zM16 1h13v9H16zM1 12h13v9H1zM16 12h13v9H16z" className="made-picture" />
      </svg>
    ),
    take: (view) => api.PATCH('/api/dockets/{id}', { params: params(view), body: { kind: 'over-sheets' } }),
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
    take: (view) => api.POST('/api/dockets/{id}/wrap', { params: params(view) }),
    marked: true,
  },
  strip: {
    name: 'test strip',
    drawing: (
      <svg width="30" height="22" aria-hidden="true">
        {['#4a4a4a', '#6a6a6a', '#8a8a8a', '#a8a8a8', '#c4c4c4'].map((fill, i) => (
          <rect key={fill} x={i * 6} y="3" width="6" height="16" fill={fill} />
        ))}
      </svg>
    ),
    take: (view) => api.POST('/api/dockets/{id}/strips', { params: { path: { id: view.id } } }),
    opens: true,
    marked: true,
  },
}

export const PLAN_KINDS = Object.keys(PLANS) as PlanKind[]

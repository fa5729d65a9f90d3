import { Button, Dropdown } from 'antd'
import { address } from '../api/client'
import type { Attempt } from '../api/types'

/** What goes along with a print that came out: labels for the back, and a page for the buyer. */
export function AlongWith({ attempt }: { attempt: Attempt }) {
  const first = attempt.pages[0]
  const placed = first?.placed[0]
  if (!first || !placed) return null
  const path = { id: attempt.id, page: first.page, placed }
  const links = [
    ...(attempt.pages.length === 1 && first.placed.length === 1
      ? [
          ['Label for the back', address('/api/attempts/{id}/pages/{page}/placed/{placed}/label', { path })],
          ['Page for the buyer', address('/api/attempts/{id}/pages/{page}/placed/{placed}/buyers-page', { path })],
        ]
      : attempt.pages.flatMap((p) =>
          p.placed.slice(0, 12).map((name, i) => [
            `Page for the buyer, ${p.page > 1 || attempt.pages.length > 1 ? `sheet ${p.page}, ` : ''}print ${i + 1}`,
            address('/api/attempts/{id}/pages/{page}/placed/{placed}/buyers-page', {
              path: { id: attempt.id, page: p.page, placed: name },
            }),
          ]),
        )),
    ['A sheet of labels', address('/api/attempts/{id}/labels', { path: { id: attempt.id } })],
  ] as [string, string][]
  return (
    <Dropdown
      trigger={['click']}
      menu={{
        items: links.map(([label, href]) => ({
          key: label,
          label: (
            <a href={href} target="_blank" rel="noreferrer">
              {label}
            </a>
          ),
        })),
      }}
    >
      <Button size="small">Labels …</Button>
    </Dropdown>
  )
}

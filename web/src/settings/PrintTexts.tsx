import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Input } from 'antd'
import { useState } from 'react'
import { answer, api, type Problem } from '../api/client'
import type { components } from '../api/schema'

type Texts = components['schemas']['PrintTexts']

const FIELDS: { name: keyof Texts; label: string }[] = [
  { name: 'name', label: 'your name' },
  { name: 'contact', label: 'where you are reached' },
  { name: 'inks', label: 'inks' },
]

/** What stands on labels and on pages for buyers, written once. */
export function PrintTexts() {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const { data } = useQuery({
    queryKey: ['print-texts'],
    queryFn: ({ signal }) => answer(api.GET('/api/settings/print-texts', { signal })),
  })
  const [edited, setEdited] = useState<Partial<Texts>>({})
  const save = useMutation({
    mutationFn: (texts: Texts) => answer(api.PUT('/api/settings/print-texts', { body: texts })),
    onSuccess: (next) => {
      client.setQueryData(['print-texts'], next)
      setEdited({})
    },
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
  })
  if (!data) return null
  const texts = { ...data, ...edited }
  return (
    <section className="setting">
      <h2 className="head">Labels and pages for buyers</h2>
      <p className="soft">Title, size, paper, edition and day come from the print; the rest is what you write here.</p>
      <dl className="rows">
        {FIELDS.map(({ name, label }) => (
          <div key={name} style={{ display: 'contents' }}>
            <dt>{label}</dt>
            <dd>
              <Input
                aria-label={label}
                maxLength={200}
                value={texts[name]}
                onChange={(e) => setEdited((was) => ({ ...was, [name]: e.target.value }))}
              />
            </dd>
          </div>
        ))}
        <dt>a sentence for the buyer</dt>
        <dd>
          <Input.TextArea
            aria-label="a sentence for the buyer"
            maxLength={600}
            autoSize={{ minRows: 2 }}
            value={texts.note}
            onChange={(e) => setEdited((was) => ({ ...was, note: e.target.value }))}
          />
        </dd>
      </dl>
      <Button
        type="primary"
        className="keep"
        disabled={Object.keys(edited).length === 0}
        loading={save.isPending}
        onClick={() => save.mutate(texts)}
      >
        Keep them
      </Button>
    </section>
  )
}

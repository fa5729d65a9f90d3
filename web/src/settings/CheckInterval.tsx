import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, InputNumber } from 'antd'
import { useState } from 'react'
import { answer, api, type Problem } from '../api/client'
import { CHECKED } from './words'

/** How often papers are to be checked; the bench says which is due. */
export function CheckInterval() {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const { data } = useQuery({
    queryKey: ['settings', 'checks'],
    queryFn: ({ signal }) => answer(api.GET('/api/settings/checks', { signal })),
  })
  const [edited, edit] = useState<number>()
  const save = useMutation({
    mutationFn: (days: number) => answer(api.PUT('/api/settings/checks', { body: { days } })),
    onSuccess: (next) => {
      client.setQueryData(['settings', 'checks'], next)
      edit(undefined)
      return client.invalidateQueries({ queryKey: ['bench'] })
    },
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
  })
  if (!data) return null
  const changed = edited !== undefined && edited !== data.days
  const keep = () => changed && save.mutate(edited)
  return (
    <section className="setting">
      <h2 className="head">{CHECKED.head}</h2>
      <p className="soft">{CHECKED.help}</p>
      <dl className="rows">
        <dt>{CHECKED.every}</dt>
        <dd>
          <InputNumber
            aria-label={CHECKED.every}
            min={0}
            max={3650}
            precision={0}
            value={edited ?? data.days}
            onChange={(days) => edit(days ?? 0)}
            onPressEnter={keep}
          />
        </dd>
      </dl>
      <Button type="primary" className="keep" disabled={!changed} loading={save.isPending} onClick={keep}>
        {CHECKED.save}
      </Button>
    </section>
  )
}

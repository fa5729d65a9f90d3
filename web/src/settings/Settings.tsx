import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Checkbox, InputNumber } from 'antd'
import { useState } from 'react'
import { answer, api, type Problem } from '../api/client'
import type { Retention } from '../api/types'
import { megabytes } from '../parts/numbers'
import { CheckInterval } from './CheckInterval'
import { Lights } from './Lights'
import { OwnMarks } from './OwnMarks'
import { PrintTexts } from './PrintTexts'
import { ScreenColour } from './ScreenColour'
import { ScreenMeasure } from './ScreenMeasure'
import './settings.css'
import { WatchedFolder } from './WatchedFolder'
import { matchingWords, WORDS } from './words'

type Limits = Retention['limits']

export function Settings() {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const { data } = useQuery({
    queryKey: ['retention'],
    queryFn: ({ signal }) => answer(api.GET('/api/settings/retention', { signal })),
  })
  const [edited, setEdited] = useState<Partial<Limits>>({})
  const save = useMutation({
    mutationFn: (limits: Limits) => answer(api.PUT('/api/settings/retention', { body: limits })),
    onSuccess: (next) => {
      client.setQueryData(['retention'], next)
      setEdited({})
    },
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
  })
  if (!data) return null
  const limits: Limits = { ...data.limits, ...edited }
  const field = (name: 'printFileDays' | 'scanDays' | 'gigabytes', label: string) => (
    <>
      <dt>{label}</dt>
      <dd>
        <InputNumber
          aria-label={label}
          min={0}
          value={limits[name]}
          onChange={(value) => setEdited((e) => ({ ...e, [name]: value ?? 0 }))}
        />
      </dd>
    </>
  )
  return (
    <div className="page">
      <h1>{WORDS.head}</h1>
      <section className="setting">
        <h2 className="head">{WORDS.kept}</h2>
        <p className="soft">
          {WORDS.help} They take {megabytes(data.bytesNow)} now.
        </p>
        <dl className="rows">
          {field('printFileDays', WORDS.files)}
          {field('scanDays', WORDS.scans)}
          {field('gigabytes', WORDS.room)}
        </dl>
        <p className="soft">{WORDS.forEver}</p>
        <Checkbox
          checked={limits.keepMatching}
          onChange={(e) => setEdited((before) => ({ ...before, keepMatching: e.target.checked }))}
        >
          {WORDS.matching} <span className="soft">{matchingWords(data.matchingBytes)}</span>
        </Checkbox>
        <Button
          type="primary"
          className="keep"
          disabled={Object.keys(edited).length === 0}
          loading={save.isPending}
          onClick={() => save.mutate(limits)}
        >
          {WORDS.save}
        </Button>
      </section>
      <Lights />
      <WatchedFolder />
      <CheckInterval />
      <OwnMarks />
      <PrintTexts />
      <ScreenColour />
      <ScreenMeasure />
    </div>
  )
}

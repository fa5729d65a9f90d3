import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Checkbox, Input, Radio } from 'antd'
import { useState } from 'react'
import { answer, api, type Problem } from '../api/client'
import type { components } from '../api/schema'
import { MarkSign } from '../parts/MarkSign'
import { WORDS } from './words'

type Watch = components['schemas']['Watch']

/** The folder that an editor exports to, and what becomes of what lies there. */
export function WatchedFolder() {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const key = ['watched-folder']
  const { data } = useQuery({
    queryKey: key,
    queryFn: ({ signal }) => answer(api.GET('/api/settings/watched-folder', { signal })),
    refetchInterval: ({ state }) => (state.data?.watch.on ? 3000 : false),
  })
  const [edited, edit] = useState<Partial<Watch>>({})
  const save = useMutation({
    mutationFn: (watch: Watch) => answer(api.PUT('/api/settings/watched-folder', { body: watch })),
    onSuccess: (next) => {
      client.setQueryData(key, next)
      edit({})
    },
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
  })
  if (!data) return null
  const watch: Watch = { ...data.watch, ...edited }
  const change = (next: Partial<Watch>) => edit((before) => ({ ...before, ...next }))
  return (
    <section className="setting">
      <h2 className="head">{WORDS.watched}</h2>
      <p className="soft">{WORDS.watchedHelp}</p>
      <dl className="rows">
        <dt>{WORDS.watchedPath}</dt>
        <dd>
          <Input
            aria-label={WORDS.watchedPath}
            value={watch.folder}
            placeholder="/home/you/exports"
            onChange={(e) => change({ folder: e.target.value, on: e.target.value.trim() !== '' })}
          />
        </dd>
        <dt>a newer file of a picture</dt>
        <dd>
          <Radio.Group className="ways" value={watch.newer} onChange={(e) => change({ newer: e.target.value })}>
            <Radio value="TAKEN">{WORDS.newerTaken}</Radio>
            <Radio value="ASKED">{WORDS.newerAsked}</Radio>
          </Radio.Group>
        </dd>
        <dt>files that were taken</dt>
        <dd>
          <Radio.Group className="ways" value={watch.done} onChange={(e) => change({ done: e.target.value })}>
            <Radio value="LEFT">{WORDS.doneLeft}</Radio>
            <Radio value="MOVED">
              {WORDS.doneMoved}
              {data.doneFolder !== '' && watch.folder === data.watch.folder && <span className="soft">, {data.doneFolder}</span>}
            </Radio>
          </Radio.Group>
        </dd>
      </dl>
      <Checkbox checked={watch.on} disabled={watch.folder.trim() === ''} onChange={(e) => change({ on: e.target.checked })}>
        {WORDS.watchOn}
      </Checkbox>
      {data.watch.on && (
        <p role="status">
          {data.now.problem !== '' ? (
            <>
              <MarkSign mark="LOOK" /> {data.now.problem}
            </>
          ) : data.now.waiting > 0 ? (
            <>
              <MarkSign mark="BUSY" /> {data.now.waiting} to be read …
            </>
          ) : (
            <>
              <MarkSign mark="SETTLED" /> It is looked into every two seconds.
            </>
          )}
        </p>
      )}
      <Button
        type="primary"
        className="keep"
        disabled={Object.keys(edited).length === 0}
        loading={save.isPending}
        onClick={() => save.mutate(watch)}
      >
        {WORDS.keepFolder}
      </Button>
    </section>
  )
}

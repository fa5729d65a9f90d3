import { useQueryClient } from '@tanstack/react-query'
import { App, Button, Input, Modal } from 'antd'
import { useState } from 'react'
import { answer, api } from '../api/client'
import type { DocketView } from '../api/types'

/** Keeps a docket's decisions under a name, to start others with. */
export function KeepStart({ view, complain }: { view: DocketView; complain: (e: Error) => void }) {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const [name, setName] = useState<string>()
  const keep = () =>
    answer(api.POST('/api/starting-points', { body: { docketId: view.id, name: name ?? '' } })).then((kept) => {
      setName(undefined)
      client.invalidateQueries({ queryKey: ['starting-points'] })
      notification.open({
        title: `“${kept.name}” is offered from now on when pictures are dropped.`,
        description: 'Dockets that start with it go their own way; it changes none.',
      })
    }, complain)
  return (
    <>
      <Button type="text" onClick={() => setName([view.pairing?.paper, view.stockName].filter(Boolean).join(', '))}>
        Keep as a start …
      </Button>
      <Modal
        open={name !== undefined}
        title="Start others like this"
        okText="Keep it"
        cancelText="Leave it"
        okButtonProps={{ disabled: !name?.trim() }}
        onCancel={() => setName(undefined)}
        onOk={keep}
      >
        <p className="soft">
          Paper, size, borders, caption, treatment, compensation and settings as they stand now, offered when pictures are
          dropped.
        </p>
        <Input
          aria-label="Name of the starting point"
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
          onPressEnter={keep}
        />
      </Modal>
    </>
  )
}

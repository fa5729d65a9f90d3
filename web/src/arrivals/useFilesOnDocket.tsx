import { useQueryClient } from '@tanstack/react-query'
import { App, Button, Modal, Select } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { answer, api, type Problem, since, upload } from '../api/client'
import type { BroughtPicture, DocketView, FileCompared } from '../api/types'
import type { DocketTools } from '../docket/useDocket'
import { FileComparison } from './FileComparison'
import { WORDS } from './words'

type Asked = { hash: string; fileName: string; compared: FileCompared[] }

/**
 * Files that are dropped on a docket: each may be the newer state of its picture, lie beside what is there, or be printed the same way on
 * a docket of its own. Of several at once only those are asked about that show what a picture of the docket shows.
 */
export function useFilesOnDocket(id: string, tools: DocketTools, beside: boolean) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const { notification } = App.useApp()
  const [asked, ask] = useState<Asked[]>([])
  const [shown, show] = useState(0)
  const [busy, setBusy] = useState(false)
  const now = asked[0]
  const compared = now?.compared[shown] ?? now?.compared[0]

  const next = () => {
    show(0)
    ask((all) => all.slice(1))
  }

  const like = async ({ hash, fileName }: { hash: string; fileName: string }) => {
    const opened = await answer(api.POST('/api/picture-dockets', { body: { hash, fileName, like: id } }))
    if (!opened.docket) return
    const made = opened.docket.id
    notification.open({
      title: `${opened.docket.spec.heading.title} is on the bench, to be printed like this one.`,
      description: opened.notice,
      actions: (
        <Button size="small" onClick={() => navigate(`/dockets/${made}/size`)}>
          Open it
        </Button>
      ),
    })
  }

  const lay = async (pictures: { hash: string; fileName: string }[]) =>
    client.setQueryData(
      ['docket', id],
      (await answer(api.POST('/api/dockets/{id}/pieces', { params: { path: { id } }, body: { pictures } }))) as DocketView,
    )

  const take = async ({ hash, fileName }: Asked, c: FileCompared) => {
    const version = client.getQueryData<DocketView>(['docket', id])?.version ?? c.version
    client.setQueryData(
      ['docket', id],
      (await answer(
        api.PUT('/api/dockets/{id}/renditions/{rendition}/master', {
          params: { path: { id, rendition: c.renditionId }, header: since(version) },
          body: { hash, fileName },
        }),
      )) as DocketView,
    )
  }

  const act = (work: () => Promise<unknown>) => async () => {
    setBusy(true)
    await work().then(next, (e) => tools.complain(e as Error))
    setBusy(false)
  }

  const dropped = async (files: File[]) => {
    for (const file of files) {
      try {
        const brought = await upload<BroughtPicture>(
          '/api/masters',
          { query: { name: file.name } },
          file,
          Number.POSITIVE_INFINITY,
        )
        const compared = await answer(
          api.GET('/api/masters/{hash}/comparisons', { params: { path: { hash: brought.hash }, query: { docket: id } } }),
        )
        if (files.length === 1 || compared.some((c) => c.alike && !c.unchanged)) {
          ask((all) => [...all, { hash: brought.hash, fileName: brought.fileName, compared }])
        } else if (beside) await lay([brought])
        else await like(brought)
      } catch (e) {
        const problem = e as Problem
        notification.open({ title: `${file.name}: ${problem.message}`, description: problem.next, duration: 12 })
      }
    }
  }

  const alike = compared?.alike === true && !compared.unchanged
  const question = (
    <Modal
      open={now !== undefined}
      title={alike ? `${now?.fileName}: ${WORDS.asks.toLowerCase()}` : `${now?.fileName} was dropped on this docket`}
      width={1040}
      onCancel={next}
      footer={
        now &&
        compared && [
          <Button key="like" disabled={busy} type={alike || beside ? 'default' : 'primary'} onClick={act(() => like(now))}>
            {WORDS.like}
          </Button>,
          beside && (
            <Button key="beside" disabled={busy} type={alike ? 'default' : 'primary'} onClick={act(() => lay([now]))}>
              {WORDS.beside}
            </Button>
          ),
          <Button
            key="newer"
            type={alike ? 'primary' : 'default'}
            disabled={compared.unchanged}
            loading={busy}
            onClick={act(() => take(now, compared))}
          >
            {WORDS.newer}
          </Button>,
        ]
      }
    >
      {now && now.compared.length > 1 && (
        <p>
          Beside{' '}
          <Select
            size="small"
            aria-label="The picture that it may be the newer state of"
            value={shown}
            onChange={show}
            options={now.compared.map((c, i) => ({ value: i, label: c.olderName }))}
          />
        </p>
      )}
      {now && compared && <FileComparison hash={now.hash} fileName={now.fileName} compared={compared} />}
    </Modal>
  )
  return { dropped, question }
}

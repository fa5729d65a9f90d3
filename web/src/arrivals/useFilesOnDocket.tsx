import { App, Button, Modal, Select } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { Brought } from '../api/bring'
import { answer, api, type Problem, upload } from '../api/client'
import type { BroughtPicture, FileCompared } from '../api/types'
import type { DocketTools } from '../docket/useDocket'
import { FileComparison } from './FileComparison'
import { WORDS } from './words'

type Asked = { picture: Brought; compared: FileCompared[] }

/**
 * Files that are dropped on a docket: each may be the newer state of its picture, lie beside what is there, or be printed the same way on
 * a docket of its own. Of several at once only those are asked about that show what a picture of the docket shows.
 */
export function useFilesOnDocket(id: string, tools: DocketTools, beside: boolean) {
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

  const like = async ({ hash, fileName }: Brought) => {
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

  const act = (work: () => Promise<unknown>) => async () => {
    setBusy(true)
    await work().then(next, (e) => tools.complain(e as Error))
    setBusy(false)
  }

  const dropped = async (files: File[]) => {
    for (const file of files) {
      try {
        const { hash, fileName } = await upload<BroughtPicture>(
          '/api/masters',
          { query: { name: file.name } },
          file,
          Number.POSITIVE_INFINITY,
        )
        const compared = await answer(
          api.GET('/api/masters/{hash}/comparisons', { params: { path: { hash }, query: { docket: id } } }),
        )
        if (files.length === 1 || compared.some((c) => c.alike && !c.unchanged)) {
          ask((all) => [...all, { picture: { hash, fileName }, compared }])
        } else if (beside) await tools.lay([{ hash, fileName }])
        else await like({ hash, fileName })
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
      title={
        alike ? `${now?.picture.fileName}: ${WORDS.asks.toLowerCase()}` : `${now?.picture.fileName} was dropped on this docket`
      }
      width={1040}
      onCancel={next}
      footer={
        now &&
        compared && [
          <Button
            key="like"
            disabled={busy}
            type={alike || beside ? 'default' : 'primary'}
            onClick={act(() => like(now.picture))}
          >
            {WORDS.like}
          </Button>,
          beside && (
            <Button
              key="beside"
              disabled={busy}
              type={alike ? 'default' : 'primary'}
              onClick={act(() => tools.lay([now.picture]))}
            >
              {WORDS.beside}
            </Button>
          ),
          <Button
            key="newer"
            type={alike ? 'primary' : 'default'}
            disabled={compared.unchanged}
            onClick={() => {
              tools.change({ kind: 'newer-file', renditionId: compared.renditionId, ...now.picture }, { onSuccess: next })
            }}
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
      {now && compared && <FileComparison hash={now.picture.hash} fileName={now.picture.fileName} compared={compared} />}
    </Modal>
  )
  return { dropped, question }
}

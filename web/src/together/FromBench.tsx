import { useQuery } from '@tanstack/react-query'
import { Checkbox, Modal } from 'antd'
import { useState } from 'react'
import { answer, api } from '../api/client'
import { DocketChecklist } from '../bench/DocketChecklist'
import type { GangProps } from '../docket/useDocket'

/** Dockets that wait for the same paper, with their pictures, to be laid beside what is here. */
export function FromBench({ view, tools, onClose }: Pick<GangProps, 'view' | 'tools'> & { onClose: () => void }) {
  const { data: groups } = useQuery({ queryKey: ['bench'], queryFn: ({ signal }) => answer(api.GET('/api/bench', { signal })) })
  const [chosen, choose] = useState<string[]>([])
  const [filling, fill] = useState(false)
  const { data: fitting = [] } = useQuery({
    queryKey: ['fitting', view.id, view.version],
    queryFn: ({ signal }) => answer(api.GET('/api/dockets/{id}/fitting', { params: { path: { id: view.id } }, signal })),
  })
  const paper = view.pairing?.pairingId
  const waiting = (groups ?? []).flatMap((g) => g.dockets).filter((d) => d.id !== view.id && d.pairingId === paper && d.joins)
  return (
    <Modal
      open
      title="What waits for this paper"
      okText={chosen.length > 1 ? `Lay these ${chosen.length}` : 'Lay it'}
      cancelText="Leave it"
      okButtonProps={{ disabled: chosen.length === 0 }}
      onCancel={onClose}
      onOk={() => {
        tools.change({ kind: 'from-dockets', dockets: chosen })
        onClose()
      }}
    >
      {waiting.length > 0 && (
        <Checkbox
          checked={filling}
          onChange={(e) => {
            fill(e.target.checked)
            choose(e.target.checked ? fitting : [])
          }}
          disabled={fitting.length === 0}
        >
          {fitting.length === 0
            ? 'none of them fits into what stays bare'
            : `only what fits into what stays bare (${fitting.length})`}
        </Checkbox>
      )}
      {groups && waiting.length === 0 && <p>Nothing else on the bench is for this paper.</p>}
      <DocketChecklist
        dockets={filling ? waiting.filter((d) => fitting.includes(d.id)) : waiting}
        chosen={waiting.filter((d) => chosen.includes(d.id))}
        onChoose={(id, on) => choose(on ? [...chosen, id] : chosen.filter((c) => c !== id))}
      />
    </Modal>
  )
}

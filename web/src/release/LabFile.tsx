import { Button, InputNumber, Radio, Select } from 'antd'
import { useState } from 'react'
import { address, answer, api, since } from '../api/client'
import type { Attempt, Lab } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { PLANS } from '../size/plans'
import { LAB } from './words'

/** Writes a file for somebody else's printer instead of printing. */
export function LabFile({ view, tools, onWritten }: Pick<StationProps, 'view' | 'tools'> & { onWritten: () => void }) {
  const [open, setOpen] = useState(false)
  const [format, setFormat] = useState<Lab['format']>('TIFF')
  const [quality, setQuality] = useState(92)
  const [space, setSpace] = useState<Lab['space']>('SRGB')
  const [sheet, setSheet] = useState(PLANS[view.spec.plan.kind].marked)
  if (!open) {
    return (
      <Button type="text" className="quiet" onClick={() => setOpen(true)}>
        {LAB.open}
      </Button>
    )
  }
  const write = () =>
    answer(
      api.POST('/api/dockets/{id}/files', {
        params: { path: { id: view.id }, header: since(view.version) },
        body: { format, quality, space, sheet },
      }),
    ).then(() => {
      setOpen(false)
      onWritten()
    }, tools.complain)
  return (
    <div className="lab">
      <div className="row">
        <Radio.Group
          optionType="button"
          buttonStyle="solid"
          value={format}
          onChange={(e) => setFormat(e.target.value)}
          aria-label="Format"
        >
          <Radio.Button value="TIFF">TIFF</Radio.Button>
          <Radio.Button value="JPEG">JPEG</Radio.Button>
          <Radio.Button value="PDF">PDF</Radio.Button>
        </Radio.Group>
        {format === 'JPEG' && (
          <InputNumber
            aria-label="Quality"
            className="number"
            min={1}
            max={100}
            value={quality}
            onChange={(v) => v && setQuality(v)}
          />
        )}
      </div>
      <Select
        aria-label="Colour of the file"
        value={space}
        onChange={setSpace}
        options={[
          { value: 'SRGB', label: LAB.srgb },
          { value: 'WIDE', label: LAB.wide },
          { value: 'PAPER', label: `${LAB.paper} ${view.pairing?.paper ?? ''}` },
        ]}
      />
      <Radio.Group
        optionType="button"
        buttonStyle="solid"
        value={sheet}
        onChange={(e) => setSheet(e.target.value)}
        aria-label="What of it"
      >
        <Radio.Button value={false}>{LAB.picture}</Radio.Button>
        <Radio.Button value={true}>{LAB.sheet}</Radio.Button>
      </Radio.Group>
      <div className="row">
        <Button onClick={write}>{LAB.write}</Button>
        <Button type="text" onClick={() => setOpen(false)}>
          {LAB.leave}
        </Button>
      </div>
    </div>
  )
}

/** What was written, to be taken along, and how it is to be printed. */
export function Written({ attempt }: { attempt: Attempt }) {
  return (
    <span className="written">
      <span className="soft">{attempt.readback}</span>
      {attempt.pages.map(
        (p) =>
          p.fileHash &&
          p.fileKept && (
            <a
              key={p.page}
              href={address('/api/attempts/{id}/pages/{page}/file', { path: { id: attempt.id, page: p.page } })}
              download
            >
              {attempt.pages.length > 1 ? `Take file ${p.page}` : 'Take the file'}
            </a>
          ),
      )}
    </span>
  )
}

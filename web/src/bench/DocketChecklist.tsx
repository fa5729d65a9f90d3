import { Checkbox } from 'antd'
import { masterThumbnail, treated } from '../api/pictures'
import type { OnBench } from '../api/types'
import './bench.css'

type Props = { dockets: OnBench[]; chosen: OnBench[]; onChoose: (id: string, chosen: boolean) => void }

/** Dockets of the bench with their pictures, to be picked from. */
export function DocketChecklist({ dockets, chosen, onChoose }: Props) {
  return (
    <ul className="waiting">
      {dockets.map((d) => (
        <li key={d.id}>
          <Checkbox checked={chosen.includes(d)} onChange={(e) => onChoose(d.id, e.target.checked)}>
            {d.pictures.slice(0, 1).map((p) => (
              <img key={p.renditionId} src={masterThumbnail(p.masterHash, 120, treated(p.treatment))} alt="" />
            ))}
            {d.title} <span className="soft">{d.line}</span>
          </Checkbox>
        </li>
      ))}
    </ul>
  )
}

import { Segmented } from 'antd'
import { useState } from 'react'
import { address } from '../api/client'
import { masterUrl } from '../api/pictures'
import type { FileCompared } from '../api/types'
import { Divider } from '../parts/Divider'
import '../parts/booth.css'
import '../proof/proof.css'
import './arrivals.css'
import { WORDS } from './words'

const LONGEST = 1000

/** A newer file beside the one that is there, in the newer one's frame: divided by a line, or as a map of what differs; and in words. */
export function FileComparison({ hash, fileName, compared }: { hash: string; fileName: string; compared: FileCompared }) {
  const [shown, show] = useState<'divided' | 'map'>('divided')
  const [share, setShare] = useState(0.5)
  const { older } = compared
  const percent = (part: number) => `${100 * part}%`
  return (
    <div className="compared">
      <div className="looked">
        <Segmented
          size="small"
          value={shown}
          onChange={show}
          options={[
            { value: 'divided', label: WORDS.divided },
            { value: 'map', label: WORDS.map },
          ]}
        />
        <div className="field">
          {shown === 'map' ? (
            <img
              src={address('/api/masters/{hash}/difference', {
                path: { hash },
                query: { from: compared.olderHash, longest: LONGEST },
              })}
              alt={`Where ${fileName} differs from ${compared.olderName}`}
            />
          ) : (
            <div className="divide">
              <img src={masterUrl(hash, LONGEST)} alt={`Newer: ${fileName}`} draggable={false} />
              <div className="older" style={{ clipPath: `inset(0 ${percent(1 - share)} 0 0)` }}>
                <img
                  src={masterUrl(compared.olderHash, LONGEST)}
                  alt={`Older: ${compared.olderName}`}
                  draggable={false}
                  style={{
                    left: percent(older.x),
                    top: percent(older.y),
                    width: percent(older.width),
                    height: percent(older.height),
                  }}
                />
              </div>
              <span className="tag left">as it is on the docket</span>
              <span className="tag right">newer</span>
              <Divider share={share} onShare={setShare} label="Divider between the older and the newer file" />
            </div>
          )}
        </div>
        <p className="soft">{shown === 'map' ? WORDS.legend : ' '}</p>
      </div>
      <div className="told">
        <h2 className="head">{WORDS.differs}</h2>
        <ul>
          {compared.differences.map((d) => (
            <li key={d}>{d}</li>
          ))}
        </ul>
        {compared.left.length > 0 && (
          <>
            <h2 className="head">{WORDS.cant}</h2>
            <ul>
              {compared.left.map((l) => (
                <li key={l}>{l}</li>
              ))}
            </ul>
          </>
        )}
        <p className="soft">{WORDS.stays}</p>
      </div>
    </div>
  )
}

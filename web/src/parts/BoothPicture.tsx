import type { ReactNode } from 'react'
import { SURROUND_NAMES, useSurround } from './useSurround'
import './booth.css'

/** A viewing booth: pictures on a neutral surround, a line of words below them. */
export function Booth({ children, under, foot }: { children: ReactNode; under?: ReactNode; foot?: ReactNode }) {
  const [surround, turn] = useSurround()
  return (
    <div className={`booth ${surround}`}>
      <div className="stage">{children}</div>
      {under}
      <div className="foot">
        {foot}
        <button type="button" onClick={turn} className="surround">
          {SURROUND_NAMES[surround]} (B)
        </button>
      </div>
    </div>
  )
}

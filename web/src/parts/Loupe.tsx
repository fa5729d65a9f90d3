import { Checkbox } from 'antd'
import { useState } from 'react'
import { loupeUrl } from '../api/pictures'
import type { DocketView, OnDocket } from '../api/types'
import './loupe.css'
import type { Place } from './place'

/** A part of the final raster, pixel for pixel as the printer gets it, without and with sharpening. */
export function Loupe({ view, picture, at }: { view: DocketView; picture: OnDocket; at: Place }) {
  const [mask, setMask] = useState(false)
  const sharpening = view.spec.output.sharpening
  return (
    <>
      <div className="loupe">
        <figure>
          <img src={loupeUrl(view, picture.renditionId, at, 'OFF')} alt="Without sharpening" width="160" height="160" />
          <figcaption>as resampled</figcaption>
        </figure>
        <figure>
          <img
            src={loupeUrl(view, picture.renditionId, at, sharpening, mask)}
            alt={mask ? 'Where it is sharpened' : 'As printed'}
            width="160"
            height="160"
          />
          <figcaption>{mask ? 'white is sharpened' : sharpening === 'OFF' ? 'as printed: the same' : 'as printed'}</figcaption>
        </figure>
      </div>
      <Checkbox checked={mask} onChange={(e) => setMask(e.target.checked)}>
        show where it is sharpened
      </Checkbox>
    </>
  )
}

import { Input } from 'antd'
import { useEffect, useRef, useState } from 'react'
import { masterUrl } from '../api/pictures'
import type { DocketView } from '../api/types'
import { BOOTH } from '../parts/booth'
import { labCss, mm } from '../parts/numbers'

type Props = {
  view: DocketView
  onLength: (side: 'width' | 'height', text: string) => void
  onCrop: (cropX: number, cropY: number) => void
}

/** The sheet as a drawing: picture, unprintable edge hatched, dimension lines whose numbers can be written over. */
export function SheetDrawing({ view, onLength, onCrop }: Props) {
  const box = useRef<HTMLDivElement>(null)
  const [room, setRoom] = useState({ w: 800, h: 500 })
  useEffect(() => {
    const element = box.current
    if (!element) return
    const watch = new ResizeObserver(() => setRoom({ w: element.clientWidth, h: element.clientHeight }))
    watch.observe(element)
    return () => watch.disconnect()
  }, [])
  const page = view.layout.pages[0]
  const placed = page?.placed[0]
  const master = view.pictures.find((p) => p.renditionId === placed?.renditionId)?.master
  if (!page || !placed || !master) return <div ref={box} />
  const p = placed.atMm
  const left = 70
  const top = 46
  const scale = Math.max(0.1, Math.min((room.w - left - 40) / page.widthMm, (room.h - top - 44) / page.heightMm))
  const sw = page.widthMm * scale
  const sh = page.heightMm * scale
  const x0 = left + (room.w - left - 40 - sw) / 2
  const y0 = top + (room.h - top - 44 - sh) / 2
  const [px, py, pw, ph] = [x0 + p.x * scale, y0 + p.y * scale, p.width * scale, p.height * scale]
  const m = page.unprintable
  const inner = {
    x: x0 + m.left * scale,
    y: y0 + m.top * scale,
    w: sw - (m.left + m.right) * scale,
    h: sh - (m.top + m.bottom) * scale,
  }
  const below = page.heightMm - p.y - p.height
  const side = (page.widthMm - p.width) / 2
  const crop = placed.crop
  const zoom = pw / crop.width
  const movable = view.layout.losses.length > 0
  const drag = (e: React.PointerEvent<HTMLDivElement>) => {
    if (!movable) return
    const start = { x: e.clientX, y: e.clientY }
    const z = view.spec.plan
    const spareX = master.width * zoom - pw
    const spareY = master.height * zoom - ph
    const element = e.currentTarget
    element.setPointerCapture(e.pointerId)
    element.onpointerup = (up) => {
      element.onpointerup = null
      const limit = (v: number) => Math.max(0, Math.min(1, v))
      onCrop(
        spareX > 1 ? limit(z.cropX - (up.clientX - start.x) / spareX) : z.cropX,
        spareY > 1 ? limit(z.cropY - (up.clientY - start.y) / spareY) : z.cropY,
      )
    }
  }
  return (
    <div ref={box} style={{ position: 'absolute', inset: 0 }}>
      <svg
        width={room.w}
        height={room.h}
        style={{ position: 'absolute' }}
        role="img"
        aria-label="The sheet with the picture on it, to scale"
      >
        <defs>
          <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V6" stroke="#8a8a84" strokeWidth="1" />
          </pattern>
        </defs>
        <rect x={x0 + 3} y={y0 + 4} width={sw} height={sh} fill="rgba(0,0,0,.28)" />
        <rect x={x0} y={y0} width={sw} height={sh} fill={view.pairing ? labCss(view.pairing.whiteLab) : '#f7f6f2'} />
        <path
          d={`M${x0} ${y0}h${sw}v${sh}h${-sw}zM${inner.x} ${inner.y}v${inner.h}h${inner.w}v${-inner.h}z`}
          fillRule="evenodd"
          fill="url(#hatch)"
        />
        <g stroke="#1e1e1e" strokeWidth="1" fill="none">
          <path d={`M${px} ${y0 - 20}v12M${px + pw} ${y0 - 20}v12M${px} ${y0 - 14}H${px + pw}`} />
          <path d={`M${x0 - 24} ${py}h12M${x0 - 24} ${py + ph}h12M${x0 - 18} ${py}V${py + ph}`} />
          <path d={`M${x0} ${y0 + sh + 14}v12M${x0 + sw} ${y0 + sh + 14}v12M${x0} ${y0 + sh + 20}H${x0 + sw}`} />
          <path
            d={`M${x0} ${py + ph / 2}H${px}M${px + pw / 2} ${y0}V${py}M${px + pw / 2} ${py + ph}V${y0 + sh}`}
            strokeDasharray="3 3"
          />
        </g>
        <g fontSize="12" fill="#1e1e1e" textAnchor="middle">
          <rect x={x0 + sw / 2 - 92} y={y0 + sh + 12} width="184" height="17" fill="#c6c6c6" />
          <text x={x0 + sw / 2} y={y0 + sh + 25}>
            {view.spec.stock.name}, {mm(page.widthMm)} × {mm(page.heightMm)} mm
          </text>
          {side * scale > 26 && (
            <text x={(x0 + px) / 2} y={py + ph / 2 - 5}>
              {mm(side)}
            </text>
          )}
          {p.y * scale > 16 && (
            <text x={px + pw / 2 + 20} y={(y0 + py) / 2 + 4}>
              {mm(p.y)}
            </text>
          )}
          {below * scale > 16 && (
            <text x={px + pw / 2 + 20} y={(py + ph + y0 + sh) / 2 + 4}>
              {mm(below)}
            </text>
          )}
        </g>
      </svg>
      <div
        onPointerDown={drag}
        style={{
          position: 'absolute',
          left: px,
          top: py,
          width: pw,
          height: ph,
          overflow: 'hidden',
          cursor: movable ? 'grab' : 'default',
        }}
      >
        <img
          src={masterUrl(master.hash, BOOTH)}
          alt=""
          draggable={false}
          style={{
            position: 'absolute',
            maxWidth: 'none',
            maxHeight: 'none',
            left: -crop.x * zoom,
            top: -crop.y * zoom,
            width: master.width * zoom,
            height: master.height * zoom,
          }}
        />
      </div>
      <Dimension
        label="Picture width"
        value={p.width}
        style={{ left: px + pw / 2 - 42, top: y0 - 24 }}
        onEnter={(t) => onLength('width', t)}
      />
      <Dimension
        label="Picture height"
        value={p.height}
        style={{ left: x0 - 60, top: py + ph / 2 - 10, transform: 'rotate(-90deg)' }}
        onEnter={(t) => onLength('height', t)}
      />
    </div>
  )
}

function Dimension({
  label,
  value,
  style,
  onEnter,
}: {
  label: string
  value: number
  style: React.CSSProperties
  onEnter: (text: string) => void
}) {
  const shown = `${mm(value)} mm`
  return (
    <Input
      key={shown}
      className="dimension"
      variant="borderless"
      aria-label={label}
      defaultValue={shown}
      style={{ position: 'absolute', width: 84, textAlign: 'center', padding: '1px 0', background: 'var(--table)', ...style }}
      onFocus={(e) => e.target.select()}
      onPressEnter={(e) => e.currentTarget.blur()}
      onKeyDown={(e) => {
        if (e.key === 'ArrowUp' || e.key === 'ArrowDown') {
          e.preventDefault()
          onEnter(`${value + (e.key === 'ArrowUp' ? 1 : -1) * (e.shiftKey ? 10 : 1)}`)
        }
      }}
      onBlur={(e) => {
        if (e.target.value.trim() !== shown) onEnter(e.target.value)
      }}
    />
  )
}

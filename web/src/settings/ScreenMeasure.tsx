import { Slider } from 'antd'
import { fixed } from '../parts/numbers'
import { useLifeScale } from '../parts/useLifeScale'
import { WORDS } from './words'

/** A bank card is as wide all over the world (ISO/IEC 7810, ID-1). */
const CARD_MM = 85.6
const CARD_HEIGHT_MM = 53.98

/** A card is held against the screen, and the outline drawn to its size: then life size is life size. */
export function ScreenMeasure() {
  const [scale, setScale] = useLifeScale()
  return (
    <section className="setting">
      <h2 className="head">{WORDS.screen}</h2>
      <p className="soft">{WORDS.screenHelp}</p>
      <div className="card-outline" style={{ width: CARD_MM * scale, height: CARD_HEIGHT_MM * scale }} />
      <Slider
        ariaLabelForHandle={WORDS.screenSlider}
        min={1.5}
        max={10}
        step={0.01}
        value={scale}
        onChange={setScale}
        tooltip={{ formatter: (v) => `${fixed((v ?? 0) * 25.4, 0)} pixels an inch` }}
      />
    </section>
  )
}

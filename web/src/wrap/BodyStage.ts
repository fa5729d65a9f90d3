import {
  BackSide,
  BufferGeometry,
  CanvasTexture,
  Color,
  Float32BufferAttribute,
  FrontSide,
  Group,
  LinearFilter,
  Mesh,
  MeshBasicMaterial,
  PerspectiveCamera,
  PlaneGeometry,
  Scene,
  SRGBColorSpace,
  type Texture,
  TextureLoader,
  WebGLRenderer,
} from 'three'
import { drawnByProcessor } from '../parts/graphics'
import { folded, type Shown, type Surface } from './body'

const WALL = '#c6c6c6'
export const START = { turn: -0.5, tilt: 0.18, near: 1 }
/** While it moves without a graphics card, and how soon it is drawn finely again. */
const COARSE = 0.6
const FINE = 2
const RESTS_AFTER_MS = 250
/** The body stands off the wall by this, as a hanger holds it. */
const SHADOW_GAP_MM = 8
const USUAL_DISTANCE_MM = 1500

/** What WebGL holds: drawn only when something changed. */
/** Pieces across and down, and the gap between them. */
export type Panels = { across: number; down: number; gapMm: number }

export class BodyStage {
  private readonly renderer: WebGLRenderer
  /** Without a graphics card smooth edges would cost more than half of the time. */
  private readonly soft: boolean
  private readonly scene = new Scene()
  private readonly camera = new PerspectiveCamera(30, 1, 10, 40_000)
  private readonly hung = new Group()
  private readonly loader = new TextureLoader()
  private textures: (Texture | undefined)[] = []
  private asked = ''
  private way = START
  private distance = USUAL_DISTANCE_MM
  private reach = { w: 600, h: 400 }
  /** How much larger it is while it lies flat. */
  private around = 0
  private frame = 0
  /** When it was drawn last. */
  private drawn = 0
  private resting = 0
  private folding = 0
  private shownFold = -1
  private rebuild: (fold: number) => void = () => {}

  constructor(private readonly host: HTMLElement) {
    this.soft = drawnByProcessor()
    this.renderer = new WebGLRenderer({ antialias: !this.soft })
    this.renderer.outputColorSpace = SRGBColorSpace
    this.scene.background = new Color(WALL)
    this.scene.add(this.hung)
    host.appendChild(this.renderer.domElement)
    this.fit()
  }

  fit() {
    const w = Math.max(1, this.host.clientWidth)
    const h = Math.max(1, this.host.clientHeight)
    this.renderer.setSize(w, h)
    this.camera.aspect = w / h
    this.place()
  }

  build(body: Shown, panels: Panels, paper: string, viewingMm: number, fold: number) {
    const { faceWidthMm: w, faceHeightMm: h } = body.body
    const wide = panels.across * w + (panels.across - 1) * panels.gapMm
    const high = panels.down * h + (panels.down - 1) * panels.gapMm
    const around = body.body.support.depthMm + body.body.support.airGapMm + body.body.turnOver.widthMm + body.body.turnOver.playMm
    this.around = panels.across * panels.down === 1 ? 2 * around : 0
    this.reach = { w: wide, h: high }
    this.distance = Math.max(viewingMm || USUAL_DISTANCE_MM, 1.2 * Math.hypot(wide, high))
    this.rebuild = (now) => {
      this.clear()
      const surfaces = folded(body, now)
      const deep = body.body.support.depthMm + body.body.support.airGapMm
      for (let i = 0; i < panels.across * panels.down; i++) {
        const x = (i % panels.across) * (w + panels.gapMm) + w / 2 - wide / 2
        const y = high / 2 - h / 2 - Math.floor(i / panels.across) * (h + panels.gapMm)
        const one = new Group()
        one.position.set(x, y, 0)
        for (const s of surfaces) one.add(...pieces(s, this.textures[i], paper))
        if (now > 0.5) one.add(back(w, h, deep), shadow(w, h, deep))
        this.hung.add(one)
      }
      this.shownFold = now
      this.place()
    }
    this.turnTo(fold)
  }

  /** Folds or unfolds in a short while, so that it can be followed. */
  private turnTo(fold: number) {
    cancelAnimationFrame(this.folding)
    if (this.shownFold < 0 || Math.abs(fold - this.shownFold) < 0.01) {
      this.rebuild(fold)
      return
    }
    const from = this.shownFold
    const began = performance.now()
    const step = () => {
      const t = Math.min(1, (performance.now() - began) / 700)
      this.rebuild(from + (fold - from) * t)
      if (t < 1) this.folding = requestAnimationFrame(step)
    }
    step()
  }

  /** What was shown stays until the new pictures are there. */
  show(addresses: string[]) {
    const asked = addresses.join(' ')
    this.asked = asked
    Promise.all(addresses.map((a) => this.loader.loadAsync(a))).then(
      (loaded) => {
        if (this.asked !== asked) return
        for (const t of loaded) {
          t.colorSpace = SRGBColorSpace
          t.minFilter = LinearFilter
          t.generateMipmaps = false
          t.anisotropy = this.soft ? 1 : Math.min(8, this.renderer.capabilities.getMaxAnisotropy())
        }
        for (const t of this.textures) t?.dispose()
        this.textures = loaded
        if (this.shownFold >= 0) this.rebuild(this.shownFold)
      },
      () => {},
    )
  }

  look(way: typeof START) {
    this.way = way
    this.place()
  }

  private place() {
    // its own size from where a person stands; what doesn't fit the view is seen from farther off
    const flat = this.around * (1 - Math.max(0, this.shownFold))
    const w = this.reach.w + flat
    const h = this.reach.h + flat
    const distance = this.distance
    const half = Math.max((1.25 * h) / 2, (1.3 * w) / 2 / this.camera.aspect) / this.way.near
    this.camera.fov = (2 * Math.atan(half / distance) * 180) / Math.PI
    const { turn, tilt } = this.way
    this.hung.rotation.set(tilt, turn, 0)
    this.camera.position.set(0, 0, distance)
    this.camera.near = distance / 20
    this.camera.far = distance * 4
    this.camera.updateProjectionMatrix()
    this.draw()
  }

  private draw() {
    if (this.frame) return
    this.frame = requestAnimationFrame(() => {
      this.frame = 0
      const now = performance.now()
      const moving = now - this.drawn < RESTS_AFTER_MS
      this.drawn = now
      this.sharpness(this.soft ? (moving ? COARSE : FINE) : Math.min(FINE, window.devicePixelRatio))
      this.renderer.render(this.scene, this.camera)
      clearTimeout(this.resting)
      if (this.soft && moving) {
        this.resting = window.setTimeout(() => {
          this.drawn = 0
          this.draw()
        }, RESTS_AFTER_MS)
      }
    })
  }

  private sharpness(ratio: number) {
    if (this.renderer.getPixelRatio() !== ratio) this.renderer.setPixelRatio(ratio)
  }

  /** As it is seen now, as a PNG's address. */
  still() {
    this.sharpness(Math.max(FINE, window.devicePixelRatio))
    this.renderer.render(this.scene, this.camera)
    const url = this.renderer.domElement.toDataURL('image/png')
    this.draw()
    return url
  }

  private clear() {
    for (const group of [...this.hung.children]) {
      group.traverse((o) => {
        if (o instanceof Mesh) {
          o.geometry.dispose()
          o.material.dispose()
        }
      })
      this.hung.remove(group)
    }
  }

  dispose() {
    cancelAnimationFrame(this.frame)
    cancelAnimationFrame(this.folding)
    clearTimeout(this.resting)
    this.clear()
    for (const t of this.textures) t?.dispose()
    this.renderer.dispose()
    this.renderer.domElement.remove()
  }
}

function gray(level: number) {
  return new Color().setRGB(level, level, level, SRGBColorSpace)
}

function geometry(corners: { at: number[]; on?: [number, number] }[]) {
  const g = new BufferGeometry()
  g.setAttribute(
    'position',
    new Float32BufferAttribute(
      corners.flatMap((c) => c.at),
      3,
    ),
  )
  if (corners.every((c) => c.on))
    g.setAttribute(
      'uv',
      new Float32BufferAttribute(
        corners.flatMap((c) => c.on ?? [0, 0]),
        2,
      ),
    )
  g.setIndex(corners.slice(2).flatMap((_, i) => [0, i + 1, i + 2]))
  return g
}

/** A surface from its printed side and from its bare one. */
function pieces(s: Surface, texture: Texture | undefined, paper: string) {
  const shape = geometry(s.corners)
  const printed = s.corners.every((c) => c.on)
  const front = new MeshBasicMaterial({ side: FrontSide })
  if (printed && texture) front.map = texture
  const bare = new Color(paper)
  front.color = printed && texture ? gray(s.light) : bare.clone().multiplyScalar(s.light)
  const behind = new MeshBasicMaterial({ side: BackSide, color: bare.clone().multiplyScalar(0.62) })
  return [new Mesh(shape, front), new Mesh(shape.clone(), behind)]
}

/** What stands under the print, seen from behind. */
function back(w: number, h: number, deep: number) {
  const mesh = new Mesh(new PlaneGeometry(w - 2, h - 2), new MeshBasicMaterial({ color: gray(0.42), side: BackSide }))
  mesh.position.z = -deep + 1
  return mesh
}

/** The shadow that it throws on the wall behind, softer with the gap between them. */
function shadow(w: number, h: number, deep: number) {
  const out = 2.2 * (deep + SHADOW_GAP_MM)
  const drawn = document.createElement('canvas')
  const scale = 256 / Math.max(w + 2 * out, h + 2 * out)
  drawn.width = Math.ceil((w + 2 * out) * scale)
  drawn.height = Math.ceil((h + 2 * out) * scale)
  const pen = drawn.getContext('2d')
  if (pen) {
    pen.filter = `blur(${Math.max(1, 0.45 * deep * scale)}px)`
    pen.fillStyle = 'rgba(0, 0, 0, 0.55)'
    pen.fillRect(out * scale, out * scale, w * scale, h * scale)
  }
  const map = new CanvasTexture(drawn)
  const mesh = new Mesh(
    new PlaneGeometry(w + 2 * out, h + 2 * out),
    new MeshBasicMaterial({ map, transparent: true, depthWrite: false, side: FrontSide }),
  )
  mesh.position.set(0.25 * deep, -0.45 * deep, -deep - SHADOW_GAP_MM)
  return mesh
}

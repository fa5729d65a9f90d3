import {
  BufferAttribute,
  BufferGeometry,
  CanvasTexture,
  Color,
  Float32BufferAttribute,
  Group,
  LineBasicMaterial,
  LineSegments,
  type Material,
  Mesh,
  MeshBasicMaterial,
  type Object3D,
  OrthographicCamera,
  Plane,
  Points,
  PointsMaterial,
  Scene,
  Sprite,
  SpriteMaterial,
  SRGBColorSpace,
  Vector3,
  WebGLRenderer,
} from 'three'
import type { Boundary, PictureColours } from '../api/types'
import { drawnByProcessor } from '../parts/graphics'
import type { Way } from '../parts/useTurning'

const GROUND = '#c6c6c6'
const INK = '#1d1d1d'
export const START = { turn: 0.55, tilt: 0.28, near: 1 }
/** Half of what is seen up and down, L*a*b* units. */
const REACH = 74
const AXIS = 100
const SPRITE = 64

/** What a cut by a lightness leaves: all below it. */
export type Seen = {
  solid: Boundary
  wire?: Boundary | undefined
  colours?: PictureColours | undefined
  cut?: number | undefined
}

/** L*a*b* in three dimensions: L* upwards, a* to the right, b* away from the eye before it is turned. Drawn only when something changed. */
export class GamutStage {
  private readonly renderer: WebGLRenderer
  private readonly soft = drawnByProcessor()
  private readonly scene = new Scene()
  private readonly camera = new OrthographicCamera()
  private readonly turned = new Group()
  private readonly content = new Group()
  private way = START
  private cut = 100
  private below: Plane[] = []
  private frame = 0

  constructor(private readonly host: HTMLElement) {
    this.renderer = new WebGLRenderer({ antialias: !this.soft })
    this.renderer.outputColorSpace = SRGBColorSpace
    this.renderer.localClippingEnabled = true
    this.renderer.setPixelRatio(this.soft ? 1 : Math.min(2, window.devicePixelRatio))
    this.scene.background = new Color(GROUND)
    this.turned.add(this.content, ...axes())
    this.scene.add(this.turned)
    this.camera.position.set(0, 0, 400)
    this.camera.near = 1
    this.camera.far = 900
    host.appendChild(this.renderer.domElement)
    this.fit()
  }

  fit() {
    const w = Math.max(1, this.host.clientWidth)
    const h = Math.max(1, this.host.clientHeight)
    this.renderer.setSize(w, h)
    this.place()
  }

  show({ solid, wire, colours, cut }: Seen) {
    this.clear()
    this.cut = cut ?? 100
    this.below = cut === undefined ? [] : [upTo(cut)]
    this.content.add(body(solid, this.below), rings(solid, '#00000055', cut))
    if (wire) this.content.add(rings(wire, INK, undefined), meridians(wire))
    if (colours) this.content.add(...points(colours, cut))
    this.place()
  }

  look(way: Way) {
    this.way = way
    this.place()
  }

  private place() {
    const half = REACH / this.way.near
    const aspect = this.host.clientWidth / Math.max(1, this.host.clientHeight)
    this.camera.left = -half * aspect
    this.camera.right = half * aspect
    this.camera.top = half
    this.camera.bottom = -half
    this.camera.updateProjectionMatrix()
    this.turned.rotation.set(this.way.tilt, this.way.turn, 0)
    this.turned.updateMatrixWorld()
    // clipping planes stand in the world, not in what is turned
    for (const plane of this.below) plane.copy(upTo(this.cut)).applyMatrix4(this.turned.matrixWorld)
    this.draw()
  }

  private draw() {
    if (this.frame) return
    this.frame = requestAnimationFrame(() => {
      this.frame = 0
      this.renderer.render(this.scene, this.camera)
    })
  }

  private clear() {
    for (const object of [...this.content.children]) {
      disposed(object)
      this.content.remove(object)
    }
  }

  dispose() {
    cancelAnimationFrame(this.frame)
    this.clear()
    for (const object of this.turned.children) disposed(object)
    this.renderer.dispose()
    this.renderer.domElement.remove()
  }
}

/** All that is as dark as a lightness, or darker. */
const upTo = (lightness: number) => new Plane(new Vector3(0, -1, 0), lightness - 50)

function disposed(object: Object3D) {
  if (object instanceof Mesh || object instanceof LineSegments || object instanceof Points || object instanceof Sprite) {
    object.geometry.dispose()
    const material = object.material as Material & { map?: { dispose(): void } | null }
    material.map?.dispose()
    material.dispose()
  }
}

const at = ([l = 0, a = 0, b = 0]: number[]) => [a, l - 50, -b]

function body(boundary: Boundary, below: Plane[]) {
  const shape = new BufferGeometry()
  shape.setAttribute('position', new Float32BufferAttribute(boundary.vertices.flatMap(at), 3))
  const colours = new Float32Array(3 * boundary.colours.length)
  const colour = new Color()
  boundary.colours.forEach((packed, i) => {
    colour.setHex(packed, SRGBColorSpace).toArray(colours, 3 * i)
  })
  shape.setAttribute('color', new BufferAttribute(colours, 3))
  shape.setIndex(boundary.triangles.flat())
  const material = new MeshBasicMaterial({
    vertexColors: true,
    side: 2,
    clippingPlanes: below,
    polygonOffset: true,
    polygonOffsetFactor: 1,
    polygonOffsetUnits: 1,
  })
  return new Mesh(shape, material)
}

/** Outlines at even lightnesses, up to a cut, and at the cut itself. */
function rings(boundary: Boundary, colour: string, cut: number | undefined) {
  const corners: number[] = []
  for (const slice of boundary.slices) {
    if (cut !== undefined && slice.lightness > cut) continue
    for (const line of slice.outlines) {
      line.forEach((ab, i) => {
        corners.push(...at([slice.lightness, ...ab]), ...at([slice.lightness, ...(line[(i + 1) % line.length] ?? ab)]))
      })
    }
  }
  return lines(corners, colour)
}

/** From ring to ring along twelve hues, so that a wire reads as a body. */
function meridians(boundary: Boundary) {
  const corners: number[] = []
  for (let hue = 0; hue < 12; hue++) {
    const angle = (hue * Math.PI) / 6
    let before: number[] | undefined
    for (const slice of boundary.slices) {
      const farthest = slice.outlines
        .flat()
        .map((ab) => ({
          ab,
          off: Math.abs(
            Math.atan2(
              Math.sin(Math.atan2(ab[1] ?? 0, ab[0] ?? 0) - angle),
              Math.cos(Math.atan2(ab[1] ?? 0, ab[0] ?? 0) - angle),
            ),
          ),
        }))
        .sort((p, q) => p.off - q.off)[0]
      if (!farthest || farthest.off > 0.3) {
        before = undefined
        continue
      }
      const here = at([slice.lightness, ...farthest.ab])
      if (before) corners.push(...before, ...here)
      before = here
    }
  }
  return lines(corners, '#1d1d1d88')
}

function lines(corners: number[], colour: string) {
  const shape = new BufferGeometry()
  shape.setAttribute('position', new Float32BufferAttribute(corners, 3))
  const opaque = colour.length === 7
  return new LineSegments(
    shape,
    new LineBasicMaterial({
      color: colour.slice(0, 7),
      transparent: !opaque,
      opacity: opaque ? 1 : Number.parseInt(colour.slice(7), 16) / 255,
    }),
  )
}

/** Dots for colours that the paper holds, crosses for those that it doesn't: told apart by shape. */
function points({ colours }: PictureColours, cut: number | undefined) {
  const shown = colours.filter((c) => cut === undefined || c.lab.l <= cut)
  return [false, true].map((outside) => {
    const shape = new BufferGeometry()
    const some = shown.filter((c) => c.outside > 0.5 === outside)
    shape.setAttribute(
      'position',
      new Float32BufferAttribute(
        some.flatMap((c) => at([c.lab.l, c.lab.a, c.lab.b])),
        3,
      ),
    )
    return new Points(
      shape,
      new PointsMaterial({
        map: sign(outside),
        size: outside ? 9 : 5,
        sizeAttenuation: false,
        transparent: true,
        depthTest: false,
        depthWrite: false,
        color: INK,
      }),
    )
  })
}

function sign(cross: boolean) {
  const drawn = document.createElement('canvas')
  drawn.width = SPRITE
  drawn.height = SPRITE
  const pen = drawn.getContext('2d')
  if (pen) {
    pen.strokeStyle = '#fff'
    pen.fillStyle = '#fff'
    pen.lineWidth = 13
    if (cross) {
      pen.moveTo(8, 8)
      pen.lineTo(56, 56)
      pen.moveTo(56, 8)
      pen.lineTo(8, 56)
      pen.stroke()
    } else {
      pen.arc(32, 32, 24, 0, 2 * Math.PI)
      pen.fill()
    }
  }
  return new CanvasTexture(drawn)
}

/** Axes with their figures. */
function axes() {
  const corners = [
    [0, 0, 0],
    [100, 0, 0],
    [50, -AXIS, 0],
    [50, AXIS, 0],
    [50, 0, -AXIS],
    [50, 0, AXIS],
  ].flatMap(at)
  for (const tick of [-100, -50, 50, 100]) {
    corners.push(...at([49, tick, 0]), ...at([51, tick, 0]), ...at([49, 0, tick]), ...at([51, 0, tick]))
  }
  const words: [string, number[]][] = [
    ['L* 100', [105, 0, 0]],
    ['0', [-5, 0, 0]],
    ['a* 100', [50, 108, 0]],
    ['a* −100', [50, -110, 0]],
    ['b* 100', [50, 0, 108]],
    ['b* −100', [50, 0, -110]],
  ]
  return [lines(corners, '#1d1d1daa'), ...words.map(([text, where]) => label(text, where))]
}

function label(text: string, where: number[]) {
  const drawn = document.createElement('canvas')
  drawn.width = 256
  drawn.height = 64
  const pen = drawn.getContext('2d')
  if (pen) {
    pen.font = '40px "Archivo Variable", sans-serif'
    pen.fillStyle = INK
    pen.textAlign = 'center'
    pen.textBaseline = 'middle'
    pen.fillText(text, 128, 32)
  }
  const map = new CanvasTexture(drawn)
  map.colorSpace = SRGBColorSpace
  const sprite = new Sprite(new SpriteMaterial({ map, transparent: true, depthTest: false }))
  const [x = 0, y = 0, z = 0] = at(where)
  sprite.position.set(x, y, z)
  sprite.scale.set(26, 6.5, 1)
  return sprite
}

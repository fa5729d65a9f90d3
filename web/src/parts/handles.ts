/** Corners of a rectangle that is sized by them. */
export const CORNERS = [
  { right: false, bottom: false, name: 'upper left' },
  { right: true, bottom: false, name: 'upper right' },
  { right: false, bottom: true, name: 'lower left' },
  { right: true, bottom: true, name: 'lower right' },
]

const ARROWS: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }

/** What an arrow key moves by, in steps; ten times as far with Shift. Other keys do nothing. */
export function byArrow(e: React.KeyboardEvent, step: number, change: (dx: number, dy: number) => void) {
  const way = ARROWS[e.key]
  if (!way) return
  e.preventDefault()
  const far = e.shiftKey ? 10 * step : step
  change(way[0] * far, way[1] * far)
}

/** By what a drag of its lower right corner enlarges a rectangle that keeps its shape: how far it goes along the diagonal. */
export function enlargedBy(box: { width: number; height: number }, dx: number, dy: number): number {
  const diagonal = Math.hypot(box.width, box.height)
  return 1 + (dx * box.width + dy * box.height) / diagonal / diagonal
}

const A_CLICK = 2

/** Follows a drag from its press to its release; one that hardly moved was a click and changes nothing. */
export function follow(
  e: React.PointerEvent<HTMLElement>,
  to: { moved: (dx: number, dy: number) => void; done: () => void; left: () => void },
) {
  if (e.button !== 0) return
  const start = { x: e.clientX, y: e.clientY }
  const element = e.currentTarget
  element.setPointerCapture(e.pointerId)
  const over = () => {
    element.onpointermove = null
    element.onpointerup = null
    element.onpointercancel = null
  }
  element.onpointermove = (move) => to.moved(move.clientX - start.x, move.clientY - start.y)
  element.onpointercancel = () => {
    over()
    to.left()
  }
  element.onpointerup = (up) => {
    over()
    if (Math.hypot(up.clientX - start.x, up.clientY - start.y) > A_CLICK) to.done()
    else to.left()
  }
}

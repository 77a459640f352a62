import { useRef, useState, type PointerEvent } from 'react'

/** From so many pixels on, a press has become a drag. */
const SLACK = 6

/** Where something is dragged just now: by how far it has left its place. */
export interface Dragged<Id> {
  id: Id
  x: number
  y: number
}

interface Drag<Id> {
  dragged: Dragged<Id> | null
  /** Returns what an element needs to be dragged. */
  handlers: (id: Id) => {
    onPointerDown: (event: PointerEvent<HTMLElement>) => void
    onPointerMove: (event: PointerEvent<HTMLElement>) => void
    onPointerUp: (event: PointerEvent<HTMLElement>) => void
    onPointerCancel: () => void
    onClickCapture: (event: { stopPropagation: () => void; preventDefault: () => void }) => void
  }
}

/**
 * Drags with mouse, pen or finger. `onDrop` is told what was dropped, by how far it was dragged, and on which element
 * with `data-drop` it lies, by its value; a press without a drag stays a click.
 */
export function useDrag<Id>(
  onDrop: (id: Id, at: { drop: string | undefined; x: number; y: number }) => void,
): Drag<Id> {
  const [dragged, setDragged] = useState<Dragged<Id> | null>(null)
  const from = useRef<{ x: number; y: number; isDrag: boolean } | null>(null)
  const wasDrag = useRef(false)
  /** In the pixels of what is dragged: on a wall all is enlarged. */
  const moved = (event: PointerEvent<HTMLElement>): { x: number; y: number } => {
    const zoom = event.currentTarget.currentCSSZoom ?? 1
    return { x: (event.clientX - from.current!.x) / zoom, y: (event.clientY - from.current!.y) / zoom }
  }
  return {
    dragged,
    handlers: (id) => ({
      onPointerDown: (event) => {
        if (event.button !== 0) return
        from.current = { x: event.clientX, y: event.clientY, isDrag: false }
        wasDrag.current = false
        // From here on, moves come here wherever they go.
        event.currentTarget.setPointerCapture(event.pointerId)
      },
      onPointerMove: (event) => {
        if (!from.current) return
        const by = moved(event)
        if (!from.current.isDrag) {
          if (Math.hypot(by.x, by.y) < SLACK) return
          from.current.isDrag = true
        }
        setDragged({ id, ...by })
      },
      onPointerUp: (event) => {
        if (from.current?.isDrag) {
          wasDrag.current = true
          const by = moved(event)
          const under = document
            .elementsFromPoint(event.clientX, event.clientY)
            .find((element): element is HTMLElement => element instanceof HTMLElement && 'drop' in element.dataset)
          onDrop(id, { drop: under?.dataset.drop, ...by })
        }
        from.current = null
        setDragged(null)
      },
      onPointerCancel: () => {
        from.current = null
        setDragged(null)
      },
      // The click that ends a drag is none.
      onClickCapture: (event) => {
        if (!wasDrag.current) return
        wasDrag.current = false
        event.stopPropagation()
        event.preventDefault()
      },
    }),
  }
}

import {
  KeyboardCode,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core'
import { useMemo } from 'react'
import { useAct, useGarden } from '../../state/garden'
import type { LoomLayout } from './layout'
import { moveCrop } from '../../actions/addCrop'

/** Moving planned crops by dragging or with the keyboard: down the weeks and across the beds. */
export function useMoveCrop(layout: LoomLayout) {
  const { data } = useGarden()
  const act = useAct()
  const columnStep =
    layout.columns.length > 1
      ? layout.columns[1].left - layout.columns[0].left
      : layout.columns[0]?.width || 60

  const coordinateGetter = useMemo(
    (): KeyboardCoordinateGetter =>
      (event, { currentCoordinates }) => {
        const steps: Record<string, [number, number]> = {
          ArrowLeft: [-columnStep, 0],
          ArrowRight: [columnStep, 0],
          ArrowUp: [0, -layout.rowPx],
          ArrowDown: [0, layout.rowPx],
        }
        const step = steps[event.code]
        return step ? { x: currentCoordinates.x + step[0], y: currentCoordinates.y + step[1] } : undefined
      },
    [columnStep, layout.rowPx],
  )

  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, {
      coordinateGetter,
      keyboardCodes: {
        start: [KeyboardCode.Space],
        cancel: [KeyboardCode.Esc],
        end: [KeyboardCode.Space, KeyboardCode.Enter],
      },
    }),
  )

  async function onDragEnd({ active, delta }: DragEndEvent) {
    const stand = data.stands.find((item) => item.id === active.id)
    if (!stand?.start.plan || stand.start.actual) return
    const from = layout.columns.find((column) => column.entry.bed.id === stand.bedId)
    if (!from) return
    const center = from.left + from.width / 2 + delta.x
    const to =
      layout.columns.find((column) => center >= column.left && center < column.left + column.width + 6) ??
      from
    const days = Math.round(delta.y / layout.rowPx) * 7
    if (days === 0 && to === from) return
    await act(moveCrop(stand, to.entry.bed, days))
  }
  return { sensors, onDragEnd }
}

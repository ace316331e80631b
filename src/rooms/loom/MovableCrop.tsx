import { DndContext, useDraggable } from '@dnd-kit/core'
import { use } from 'react'
import type { Placed } from './labels'
import { SheetLayout } from './sheetLayout'
import { AreaButton, Words, type Area } from './StandArea'
import { useMoveCrop } from './useMoveCrop'

type Props = { area: Area; placed: Placed | null }

/** A planned crop, to be dragged to another bed or week. */
export function MovableCrop(props: Props) {
  const { sensors, onDragEnd } = useMoveCrop(use(SheetLayout))
  return (
    <DndContext sensors={sensors} onDragEnd={(event) => void onDragEnd(event)}>
      <Draggable {...props} />
    </DndContext>
  )
}

function Draggable({ area, placed }: Props) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: area.standId,
    data: { fromDay: area.fromDay },
  })
  return (
    <>
      <AreaButton
        ref={setNodeRef}
        {...listeners}
        aria-describedby={attributes['aria-describedby']}
        area={area}
        className={`cursor-grab ${isDragging ? 'is-dragging' : ''}`}
        shift={transform}
      />
      {placed && !isDragging && <Words placed={placed} left={area.left} width={area.width} />}
    </>
  )
}

import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import { useCallback } from 'react';
import { View } from 'react-native';
import { grabbed } from '../../../parts/grabbed';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius } from '../../../theme/tokens';
import type { Box } from '../../people/room/floor';

interface MovableProps {
  id: string;
  name: string;
  place: Box;
  /** Whether this one was tapped to be put somewhere. */
  lifted: boolean;
  onTap: () => void;
}

/** A seat while they are arranged: dragged onto another, or tapped and then the other one tapped. */
function MovableSeat({ id, name, place, lifted, onTap }: MovableProps) {
  const palette = usePalette();
  const { setNodeRef: asDrop, isOver } = useDroppable({ id });
  const { setNodeRef: asDrag, listeners, transform, isDragging } = useDraggable({ id });
  const ref = useCallback(
    (node: unknown) => {
      asDrop(node as HTMLElement | null);
      asDrag(node as HTMLElement | null);
    },
    [asDrop, asDrag],
  );
  const marked = lifted || isOver;
  return (
    <View
      ref={ref}
      role="button"
      tabIndex={0}
      aria-label={lifted ? `${name}: tap where to sit` : `Move ${name}`}
      {...grabbed(onTap, listeners)}
      style={[
        {
          position: 'absolute',
          ...place,
          alignItems: 'center',
          justifyContent: 'center',
          borderRadius: radius.card,
          borderWidth: marked ? 2 : 1,
          borderStyle: 'dashed',
          borderColor: marked ? palette.slate : palette.inkQuiet,
          backgroundColor: isDragging || marked ? palette.slateWash : palette.surface,
          zIndex: isDragging ? 2 : 0,
          transform: [{ translateX: transform?.x ?? 0 }, { translateY: transform?.y ?? 0 }],
        },
        { touchAction: 'none', cursor: 'grab' } as object,
      ]}
    >
      <Words lines={1} style={{ fontSize: 15, lineHeight: 20 }}>
        {name}
      </Words>
    </View>
  );
}

interface MovableSeatsProps {
  seats: readonly { id: string; name: string; place: Box }[];
  /** Whoever was tapped to be put somewhere. */
  lifted: string | null;
  onMove: (studentId: string, ontoId: string) => void;
  onTap: (studentId: string) => void;
}

/** The seats of a circle while they are arranged. */
export function MovableSeats({ seats, lifted, onMove, onTap }: MovableSeatsProps) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={({ active, over }) => {
        if (over) onMove(String(active.id), String(over.id));
      }}
    >
      {seats.map(({ id, name, place }) => (
        <MovableSeat
          key={id}
          id={id}
          name={name}
          place={place}
          lifted={lifted === id}
          onTap={() => {
            onTap(id);
          }}
        />
      ))}
    </DndContext>
  );
}

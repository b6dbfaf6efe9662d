import {
  closestCenter,
  DndContext,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type Announcements,
} from '@dnd-kit/core';
import {
  rectSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Icon, useInks } from '@/ui';
import { text } from '../text';
import { PromptKeyboardSensor } from './PromptKeyboardSensor';

export interface SortItem {
  id: string;
  text: string;
}

interface Props {
  label: string;
  items: readonly SortItem[];
  onMove: (from: number, to: number) => void;
  /** Short names side by side, such as bolt numbers; else one under the other. */
  inRows?: boolean;
}

/** A list put in order by dragging its handles, or by keyboard: Space, arrows, Space. */
export function SortList({ label, items, onMove, inRows = false }: Props) {
  const sensors = useSensors(
    useSensor(MouseSensor),
    useSensor(TouchSensor),
    // At once: while a smooth scroll runs, the next key would be lost.
    useSensor(PromptKeyboardSensor, {
      coordinateGetter: sortableKeyboardCoordinates,
      scrollBehavior: 'auto',
    }),
  );
  const at = (id: unknown): number => items.findIndex((item) => item.id === id);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{
        announcements: told(items),
        screenReaderInstructions: { draggable: text.sortHelp },
      }}
      onDragEnd={({ active, over }) => {
        if (over && active.id !== over.id) onMove(at(active.id), at(over.id));
      }}
    >
      <SortableContext
        items={items.map((item) => item.id)}
        strategy={inRows ? rectSortingStrategy : verticalListSortingStrategy}
      >
        <View role="list" aria-label={label} style={inRows ? styles.rows : styles.list}>
          {items.map((item, i) => (
            <Row key={item.id} item={item} place={`${i + 1}`} isShort={inRows} />
          ))}
        </View>
      </SortableContext>
    </DndContext>
  );
}

function told(items: readonly SortItem[]): Announcements {
  const place = (id: unknown): { what: string; n: number; of: number } => {
    const i = items.findIndex((item) => item.id === id);
    return { what: items[i]?.text ?? '', n: i + 1, of: items.length };
  };
  const moved = (active: unknown, over: unknown): string =>
    text.sortAt({ ...place(over ?? active), what: place(active).what });
  return {
    onDragStart: ({ active }) => text.sortLifted(place(active.id)),
    onDragOver: ({ active, over }) => moved(active.id, over?.id),
    onDragEnd: ({ active, over }) => text.sortDropped({ at: moved(active.id, over?.id) }),
    onDragCancel: ({ active }) => text.sortLeft(place(active.id)),
  };
}

function Row({ item, place, isShort }: { item: SortItem; place: string; isShort: boolean }) {
  const inks = useInks();
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, isDragging } =
    useSortable({ id: item.id });
  return (
    <View
      role="listitem"
      ref={(node) => setNodeRef(node as unknown as HTMLElement | null)}
      style={[
        styles.row,
        { borderColor: isDragging ? inks.brand : inks.line, backgroundColor: inks.card },
        isDragging && styles.lifted,
        transform && {
          transform: [{ translateX: transform.x }, { translateY: transform.y }],
        },
      ]}
    >
      <View
        ref={(node) => setActivatorNodeRef(node as unknown as HTMLElement | null)}
        role="button"
        tabIndex={0}
        aria-label={text.sortHandle({ what: item.text })}
        aria-roledescription={text.sortHow}
        {...({ 'aria-describedby': attributes['aria-describedby'] } as object)}
        {...(listeners as object)}
        style={styles.handle}
      >
        <Icon name="drag" color={inks.quiet} />
      </View>
      {isShort ? null : <Text style={[styles.place, { color: inks.quiet }]}>{place}</Text>}
      <Text style={[styles.text, { color: inks.ink }]}>{item.text}</Text>
    </View>
  );
}

const styles = StyleSheet.create({
  list: { gap: 6 },
  rows: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    borderWidth: 1,
    borderRadius: 10,
    paddingRight: 12,
    gap: 4,
  },
  lifted: { zIndex: 1, opacity: 0.9 },
  handle: {
    width: 48,
    height: 48,
    alignItems: 'center',
    justifyContent: 'center',
    cursor: 'grab',
    touchAction: 'none',
  } as never,
  place: { fontSize: 15, minWidth: 20 },
  text: { fontSize: 17, flexShrink: 1 },
});

import { closestCenter, DndContext, KeyboardSensor, MouseSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { Button } from '../ui/Button';
import { BARE } from './bare';
import { freshKey, type AgendaItem, type Sheet } from './sheet';

export type AgendaProps = { sheet: Sheet; change: (next: Partial<Sheet> | ((now: Sheet) => Partial<Sheet>)) => void };

/** Milliseconds for which a finger rests on a handle before it lifts the item: a shorter touch scrolls. */
const LIFT = 150;

/** What is spoken about and for how long; put in order by mouse, by touch, and by keys. */
export function Agenda({ sheet, change }: AgendaProps) {
  const { t } = useTranslation();
  const list = useRef<HTMLOListElement>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 4 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: LIFT, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const total = sheet.agenda.reduce((sum, item) => sum + (item.minutes ?? 0), 0);
  const named = (key: string | number) => {
    const index = sheet.agenda.findIndex((item) => item.key === key);
    return sheet.agenda[index]?.title || String(index + 1);
  };
  const place = (key: string | number) => sheet.agenda.findIndex((item) => item.key === key) + 1;

  const move = (key: string, to: number) =>
    change((now) => {
      const item = now.agenda.find((one) => one.key === key);
      if (!item || to < 0 || to >= now.agenda.length || now.agenda[to] === item) {
        return {};
      }
      const rest = now.agenda.filter((one) => one.key !== key);
      return { agenda: [...rest.slice(0, to), item, ...rest.slice(to)] };
    });
  const add = () => {
    change((now) => ({ agenda: [...now.agenda, { key: freshKey(), title: '', minutes: null, speaker: '' }] }));
    setTimeout(() => list.current?.querySelector<HTMLInputElement>('li:last-child input')?.focus(), 0);
  };

  return (
    <>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        accessibility={{
          screenReaderInstructions: { draggable: t('agenda.moveHint') },
          announcements: {
            onDragStart: ({ active }) => t('agenda.lifted', { title: named(active.id), place: place(active.id) }),
            onDragOver: ({ active, over }) => (over ? t('agenda.over', { title: named(active.id), place: place(over.id) }) : undefined),
            onDragEnd: ({ active, over }) => t('agenda.putDown', { title: named(active.id), place: place(over?.id ?? active.id) }),
            onDragCancel: ({ active }) => t('agenda.putDown', { title: named(active.id), place: place(active.id) }),
          },
        }}
        onDragEnd={({ active, over }) => {
          if (over) {
            move(String(active.id), place(over.id) - 1);
          }
        }}
      >
        <SortableContext items={sheet.agenda.map((item) => item.key)} strategy={verticalListSortingStrategy}>
          <ol ref={list} id="agenda" aria-label={t('agenda.label')}>
            {sheet.agenda.map((item, index) => (
              <AgendaRow
                key={item.key}
                item={item}
                index={index}
                set={(next) => change((now) => ({ agenda: now.agenda.map((one) => (one.key === item.key ? { ...one, ...next } : one)) }))}
                moveTo={(to) => move(item.key, to)}
                remove={() => change((now) => ({ agenda: now.agenda.filter((one) => one.key !== item.key) }))}
                addAfter={add}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <p className="flex justify-between border-t border-line py-1">
        <Button look="quiet" onClick={add}>
          {t('agenda.add')}
        </Button>
        {total > 0 && (
          <span className={total > sheet.durationMinutes && !sheet.allDay ? 'font-semibold text-odd' : 'text-muted'}>
            {total > sheet.durationMinutes && !sheet.allDay
              ? t('agenda.tooLong', { total, of: sheet.durationMinutes })
              : t('agenda.total', { total, of: sheet.durationMinutes })}
          </span>
        )}
      </p>
    </>
  );
}

type RowProps = {
  item: AgendaItem;
  index: number;
  set: (next: Partial<AgendaItem>) => void;
  moveTo: (index: number) => void;
  remove: () => void;
  addAfter: () => void;
};

function AgendaRow({ item, index, set, moveTo, remove, addAfter }: RowProps) {
  const { t } = useTranslation();
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({ id: item.key });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
      className={`group flex items-center gap-0.5 border-t border-line ${isDragging ? 'relative z-10 bg-paper shadow' : ''}`}
      onKeyDown={(event) => {
        if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
          event.preventDefault();
          moveTo(index + (event.key === 'ArrowUp' ? -1 : 1));
        }
      }}
    >
      <span
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={t('agenda.move', { title: item.title || String(index + 1) })}
        title={t('agenda.moveHint')}
        className="flex h-6 w-6 shrink-0 cursor-grab touch-manipulation items-center justify-center text-muted select-none pointer-coarse:h-11 pointer-coarse:w-8"
      >
        ⠿
      </span>
      <input
        aria-label={t('agenda.item', { number: index + 1 })}
        placeholder={t('agenda.itemHint')}
        value={item.title}
        maxLength={300}
        className={`${BARE} flex-[3]`}
        onChange={(event) => set({ title: event.target.value })}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            addAfter();
          }
        }}
      />
      <input
        aria-label={t('agenda.speaker', { number: index + 1 })}
        placeholder={t('agenda.speakerHint')}
        value={item.speaker}
        maxLength={200}
        className={`${BARE} flex-[2] text-muted`}
        onChange={(event) => set({ speaker: event.target.value })}
      />
      <input
        aria-label={t('agenda.minutes', { number: index + 1 })}
        inputMode="numeric"
        value={item.minutes ?? ''}
        placeholder="–"
        className={`${BARE} w-9! text-right font-semibold`}
        onChange={(event) => {
          const digits = event.target.value.replace(/\D/g, '').slice(0, 4);
          set({ minutes: digits === '' ? null : Math.min(1440, Math.max(1, Number(digits))) });
        }}
      />
      <span aria-hidden className="font-semibold">
        min
      </span>
      <button
        type="button"
        aria-label={t('agenda.remove', { title: item.title || String(index + 1) })}
        className="h-6 w-6 shrink-0 rounded text-muted hover:text-broken pointer-coarse:h-11 pointer-coarse:w-8"
        onClick={remove}
      >
        ×
      </button>
    </li>
  );
}

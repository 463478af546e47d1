import {
  type Announcements,
  closestCenter,
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { restrictToParentElement, restrictToVerticalAxis } from '@dnd-kit/modifiers';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { movedLeg } from '#core/pourplan';
import { say } from '../../../ui/say.ts';
import { usePlanned } from '../planned.tsx';
import { LegRow } from './LegRow.tsx';

/** A press that moves this far is a drag, px: a shaking hand still presses. */
const DRAG_PX = 6;

/** What is told, while a leg is dragged, to those who cannot see where it is. */
const SPOKEN: Announcements = {
  onDragStart: ({ active }) => `${String(active.id)} is held.`,
  onDragOver: ({ active, over }) =>
    over ? `${String(active.id)} is over ${String(over.id)}.` : `${String(active.id)} is off.`,
  onDragEnd: ({ active, over }) =>
    over ? `${String(active.id)} stands where ${String(over.id)} was.` : 'Put back.',
  onDragCancel: () => 'Put back.',
};

/** The legs in the order they are gone: dragged or pressed up and down, turned round. */
export function Legs() {
  const { plan, settings, change, record } = usePlanned();
  const order = plan.route.legs.map((l) => l.elementId);
  const own = settings.sequence.length > 0 || settings.turned.length > 0;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAG_PX } }),
  );
  const put = (from: number, to: number) => {
    if (from < 0 || to < 0 || to >= order.length || from === to) return;
    const moved = movedLeg(record.site, record.pour, from, to);
    if ('stays' in moved) say(moved.stays);
    else void change(moved.change);
  };
  const dropped = ({ active, over }: DragEndEvent) => {
    if (over) put(order.indexOf(String(active.id)), order.indexOf(String(over.id)));
  };
  return (
    <section aria-label="Legs">
      <div className="flex items-end justify-between border-b-2 border-ink">
        <h2 className="head pb-0.5">Legs, in their order</h2>
        {own && (
          <button
            type="button"
            className="min-h-12 font-semibold text-press"
            onClick={() => {
              void change({ sequence: [], turned: [] });
            }}
          >
            As the pour lists them
          </button>
        )}
      </div>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        // Held within the list: else the pane would scroll after the leg without end.
        modifiers={[restrictToVerticalAxis, restrictToParentElement]}
        accessibility={{ announcements: SPOKEN }}
        onDragEnd={dropped}
      >
        <SortableContext items={order} strategy={verticalListSortingStrategy}>
          <ol className="rows">
            {plan.route.legs.map((leg, i) => (
              <LegRow
                key={leg.elementId}
                leg={leg}
                index={i}
                last={i === order.length - 1}
                turned={settings.turned.includes(leg.elementId)}
                move={(by) => {
                  put(i, i + by);
                }}
                turn={() => {
                  void change({
                    turned: settings.turned.includes(leg.elementId)
                      ? settings.turned.filter((t) => t !== leg.elementId)
                      : [...settings.turned, leg.elementId],
                  });
                }}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
    </section>
  );
}

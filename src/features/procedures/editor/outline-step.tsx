'use client';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { GripVertical } from 'lucide-react';
import type { Step } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import { conditionWords } from './condition-words';
import '@/core/words/en/procedures';

/** One step of the outline: it is chosen by its name, and dragged by its handle to where another stands. */
export function OutlineStep({
  step,
  path,
  chosen,
  choose,
}: {
  step: Step;
  path: readonly string[];
  chosen: boolean;
  choose: () => void;
}) {
  const id = path.join('/');
  const { setNodeRef: dragged, listeners, attributes } = useDraggable({ id });
  const { setNodeRef: droppedOn, isOver } = useDroppable({ id });
  return (
    <div
      ref={droppedOn}
      className={`outline-step${chosen ? ' chosen' : ''}${isOver ? ' over' : ''}`}
      style={{ paddingLeft: `${(path.length - 1) * 1.25}rem` }}
    >
      <span ref={dragged} {...listeners} {...attributes} className="grip" aria-label={step.title}>
        <GripVertical size={16} aria-hidden />
      </span>
      <button type="button" aria-pressed={chosen} onClick={choose}>
        {step.title || <em>{say({ code: 'edit.title' })}</em>}
        <span className="quiet small">
          {' '}
          {say({ code: `stepKind.${step.kind}` })}
          {step.when && `, ${conditionWords(step.when)}`}
        </span>
      </button>
    </div>
  );
}

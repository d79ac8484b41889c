import { useDraggable } from '@dnd-kit/core';
import { useState } from 'react';
import { controlLook } from '../../ui/fields.tsx';
import type { Target } from './targets.ts';

/** Meanings to drag onto a column. The choice in each row does the same from the keyboard. */
export function MeaningPalette({ targets, taken }: { targets: readonly Target[]; taken: ReadonlySet<string> }) {
  const [words, setWords] = useState('');
  const shown = targets.filter(({ id, label }) => !taken.has(id) && label.toLowerCase().includes(words.toLowerCase()));
  return (
    <div className="w-52 shrink-0" aria-hidden="true">
      <input
        tabIndex={-1}
        className={`${controlLook} text-sm`}
        placeholder="Find a property to drag"
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
      <ul className="mt-1 max-h-96 overflow-y-auto">
        {shown.map((target) => (
          <Draggable key={target.id} target={target} />
        ))}
      </ul>
    </div>
  );
}

function Draggable({ target }: { target: Target }) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: target.id });
  return (
    <li
      ref={setNodeRef}
      {...listeners}
      data-target={target.id}
      className={`my-0.5 cursor-grab rounded border border-line bg-surface px-2 py-0.5 text-sm ${isDragging ? 'relative z-30 border-ember shadow-lg' : ''}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
    >
      {target.label}
    </li>
  );
}

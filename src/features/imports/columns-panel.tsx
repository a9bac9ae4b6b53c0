'use client';
import {
  DndContext,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import Form from 'react-bootstrap/Form';
import type { ImportField } from '@/core/stored/import';
import { say } from '@/core/words/say';
import { FIELDS_OF, labelOf, type ImportKind } from './import-fields';
import '@/core/words/en/imports';

export type Mapping = Partial<Record<ImportField, number>>;
interface Props {
  kind: ImportKind;
  columns: string[];
  /** A few cells of each column, so that one sees what is in it. */
  sample: (column: number) => string;
  mapping: Mapping;
  change: (mapping: Mapping) => void;
}

/** Which column is which: dragged onto the field, or chosen from a list by whoever uses keys. */
export function ColumnsPanel({ kind, columns, sample, mapping, change }: Props) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 4 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 120, tolerance: 6 } }),
    useSensor(KeyboardSensor),
  );
  const put = (field: ImportField, column: number | undefined) => {
    // A column is one thing only.
    const rest = Object.fromEntries(Object.entries(mapping).filter(([name, at]) => name !== field && at !== column)) as Mapping;
    change(column === undefined ? rest : { ...rest, [field]: column });
  };
  const drop = ({ active, over }: DragEndEvent) => {
    if (over) put(over.id as ImportField, Number(active.id));
  };
  const used = new Set(Object.values(mapping));
  return (
    <DndContext sensors={sensors} onDragEnd={drop} id="columns">
      <table className="table mb-2">
        <tbody>
          {FIELDS_OF[kind].map(({ field, needed }) => (
            <FieldRow key={field} field={field}>
              <th scope="row" className="fw-normal" style={{ width: '14rem' }}>
                {say({ code: labelOf(field) })}
                {needed && <span className="small quiet"> {say({ code: 'import.needed' })}</span>}
              </th>
              <td style={{ width: '18rem' }}>
                <Form.Select
                  size="sm"
                  aria-label={say({ code: labelOf(field) })}
                  value={mapping[field] ?? ''}
                  onChange={(event) => put(field, event.target.value === '' ? undefined : Number(event.target.value))}
                >
                  <option value="">{say({ code: 'import.notThere' })}</option>
                  {columns.map((name, index) => (
                    <option key={index} value={index}>
                      {name}
                    </option>
                  ))}
                </Form.Select>
              </td>
              <td className="quiet small text-break">{mapping[field] === undefined ? '' : sample(mapping[field])}</td>
            </FieldRow>
          ))}
        </tbody>
      </table>
      <div className="d-flex flex-wrap gap-2 align-items-center">
        <span className="small quiet">{say({ code: 'import.unused' })}</span>
        {columns.map((name, index) => (used.has(index) ? null : <Heading key={index} id={index} name={name} />))}
      </div>
    </DndContext>
  );
}

function FieldRow({ field, children }: { field: ImportField; children: React.ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id: field });
  return (
    <tr ref={setNodeRef} data-testid={`field-${field}`} className={isOver ? 'table-active' : ''}>
      {children}
    </tr>
  );
}

function Heading({ id, name }: { id: number; name: string }) {
  const { setNodeRef, listeners, attributes, transform } = useDraggable({ id });
  return (
    <button
      ref={setNodeRef}
      type="button"
      className="btn btn-plain btn-sm"
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 5, position: 'relative' } : {}}
      {...listeners}
      {...attributes}
    >
      {name}
    </button>
  );
}

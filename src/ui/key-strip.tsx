import { AssignKeys } from './assign-keys';

/** The keys that work here and now, at the foot of the screen. */
export function KeyStrip({ keys, assign = false }: { keys: [key: string, does: string][]; assign?: boolean }) {
  return (
    <footer className="key-strip" aria-label="Keys">
      {keys.map(([key, does]) => (
        <span key={key}>
          <kbd>{key}</kbd> {does}
        </span>
      ))}
      {assign && <AssignKeys />}
    </footer>
  );
}

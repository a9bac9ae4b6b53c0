/** The keys that work here and now, at the foot of the screen. */
export function KeyStrip({ keys }: { keys: [key: string, does: string][] }) {
  return (
    <footer className="key-strip" aria-label="Keys">
      {keys.map(([key, does]) => (
        <span key={key}>
          <kbd>{key}</kbd> {does}
        </span>
      ))}
    </footer>
  );
}

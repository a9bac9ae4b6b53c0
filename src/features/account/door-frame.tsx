import type { ReactNode } from 'react';

/** The page at the door: the drawing and the workshop's name, beside what is asked. */
export function DoorFrame({ workshop, children }: { workshop: string; children: ReactNode }) {
  return (
    <div className="sign-in-page">
      <div className="sign-in-side">
        <BenchDrawing />
        <h1 style={{ fontSize: '2.6rem' }} className="mb-1">
          Werkbank
        </h1>
        <p className="mb-0 fs-5">{workshop}</p>
      </div>
      <main className="sign-in-main">{children}</main>
    </div>
  );
}

/** A ruler with its tolerance and a mark inside it: what the house does. */
function BenchDrawing() {
  return (
    <svg viewBox="0 0 400 150" aria-hidden="true" style={{ width: '100%', maxWidth: '34rem', marginBottom: 'auto' }}>
      <rect x="120" y="52" width="160" height="36" fill="#f4eee1" opacity="0.14" />
      <path d="M0 70H400M200 38V102" stroke="#f4eee1" strokeWidth="1.5" opacity="0.8" />
      <path d="M120 30V110M280 30V110" stroke="#f4eee1" strokeWidth="4" />
      {Array.from({ length: 41 }, (_one, index) => (
        <path key={index} d={`M${index * 10} 70v${index % 5 === 0 ? 12 : 6}`} stroke="#f4eee1" opacity="0.6" />
      ))}
      <circle cx="248" cy="70" r="9" fill="none" stroke="#c08a2b" strokeWidth="3.5" />
      <circle cx="206" cy="70" r="9.5" fill="#c08a2b" />
    </svg>
  );
}

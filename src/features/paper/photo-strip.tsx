import { say } from '@/core/words/say';

/** What was written on paper, as it was photographed. */
export function PhotoStrip({ run, photos }: { run: string; photos: readonly string[] }) {
  return (
    <div className="d-flex flex-wrap gap-2" data-testid="photos">
      {photos.map((hash, at) => (
        <a key={hash} href={`/api/runs/${run}/photos/${hash}`} target="_blank" rel="noreferrer">
          {/* eslint-disable-next-line @next/next/no-img-element -- kept bytes behind a permission, nothing to optimise */}
          <img
            src={`/api/runs/${run}/photos/${hash}`}
            alt={say({ code: 'paper.photo', numbers: { number: at + 1 } })}
            style={{ height: '2.8rem', maxWidth: '6rem', objectFit: 'cover' }}
          />
        </a>
      ))}
    </div>
  );
}

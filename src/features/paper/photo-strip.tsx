import Image from 'next/image';
import { say } from '@/core/words/say';
import '@/core/words/en/from-paper';

/** What was written on paper, as it was photographed: kept bytes behind a permission, shown as they are. */
export function PhotoStrip({ run, photos }: { run: string; photos: readonly string[] }) {
  return (
    <div className="d-flex flex-wrap gap-2" data-testid="photos">
      {photos.map((hash, at) => (
        <a key={hash} href={`/api/runs/${run}/photos/${hash}`} target="_blank" rel="noreferrer">
          <Image
            unoptimized
            loading="eager"
            width={96}
            height={45}
            src={`/api/runs/${run}/photos/${hash}`}
            alt={say({ code: 'paper.photo', numbers: { number: at + 1 } })}
            style={{ width: 'auto', height: '2.8rem', maxWidth: '6rem', objectFit: 'cover' }}
          />
        </a>
      ))}
    </div>
  );
}

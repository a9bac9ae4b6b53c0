import { useEffect } from 'react';
import { useRouter } from 'next/navigation';

const EVERY_MS = 1000;

/** Reads the page anew each second, while what it waits for is a job's. */
export function useLookAgain(): void {
  const router = useRouter();
  useEffect(() => {
    const timer = setInterval(() => router.refresh(), EVERY_MS);
    return () => clearInterval(timer);
  }, [router]);
}

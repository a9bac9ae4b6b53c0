'use client';
import { useEffect } from 'react';
import { Link } from '@/ui/link';
import { usePathname, useRouter } from 'next/navigation';
import { Moon, Sun } from 'lucide-react';
import type { Role } from '@/core/record/event';
import { may, mayRead, type Permission } from '@/platform/permission';
import { say } from '@/core/words/say';
import { askLock } from '@/platform/client/lock-asked';
import '@/core/words/en/bar';
import '@/core/words/en/lock';

const ROOMS: { href: string; name: string; needs: Permission; acts?: true }[] = [
  { href: '/', name: 'Bench', needs: 'signedIn' },
  { href: '/receive', name: 'Receive', needs: 'receive', acts: true },
  { href: '/approve', name: 'Approve', needs: 'approve' },
  { href: '/due', name: 'Due', needs: 'signedIn' },
  { href: '/customers', name: 'Customers', needs: 'signedIn' },
  { href: '/assets', name: 'Instruments', needs: 'signedIn' },
  { href: '/certificates', name: 'Certificates', needs: 'signedIn' },
  { href: '/shelf', name: 'Shelf', needs: 'signedIn' },
  { href: '/calculators', name: 'Calculators', needs: 'signedIn' },
  { href: '/office', name: 'Office', needs: 'office' },
];

/** The bar at the head of every room. */
export function HouseBar({
  name,
  role,
  leave: leaveHere,
  leaveEverywhere,
  children,
}: {
  name: string;
  role: Role;
  leave: (nothing: object) => Promise<unknown>;
  leaveEverywhere: (nothing: object) => Promise<unknown>;
  children: React.ReactNode;
}) {
  const path = usePathname();
  const router = useRouter();
  // For whoever drives the page from outside: from here on a press is heard.
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes';
  }, []);
  const here = (href: string) =>
    href === '/'
      ? path === '/' || path.startsWith('/runs')
      : path.startsWith(href) ||
        (href === '/shelf' && /^\/(station|devices|probes)/.test(path)) ||
        (href === '/assets' && /^\/(models|procedures)/.test(path)) ||
        (href === '/customers' && path.startsWith('/imports'));
  const turn = () => {
    const theme = document.documentElement.dataset.bsTheme === 'dark' ? 'light' : 'dark';
    document.documentElement.dataset.bsTheme = theme;
    document.cookie = `theme=${theme}; path=/; max-age=31536000; samesite=lax`;
  };
  const leave = async (everywhere: boolean) => {
    await (everywhere ? leaveEverywhere : leaveHere)({});
    router.push('/sign-in');
    router.refresh();
  };
  return (
    <header className="house-bar">
      <span className="house-name">Werkbank</span>
      <nav className="house-nav" aria-label="Rooms">
        {ROOMS.filter((room) => (room.acts ? may : mayRead)(role, room.needs)).map((room) => (
          <Link key={room.href} href={room.href} aria-current={here(room.href) ? 'page' : undefined}>
            {room.name}
          </Link>
        ))}
      </nav>
      <div className="house-right">
        {children}
        <button className="bar-button" type="button" onClick={turn} aria-label="Light or dark">
          <Sun size={17} className="d-dark-none" aria-hidden />
          <Moon size={17} className="d-light-none" aria-hidden />
        </button>
        <details
          className="bar-menu"
          onClick={({ target, currentTarget }) => {
            if ((target as HTMLElement).closest('.bar-choices')) currentTarget.open = false;
          }}
        >
          <summary className="bar-button" title={`${name}, ${role}`}>
            {name.split(' ')[0]}
          </summary>
          <div className="bar-choices">
            <Link href="/account">{say({ code: 'account.link' })}</Link>
            <Link href="/practice">{say({ code: 'bar.practice' })}</Link>
            <button type="button" onClick={askLock}>
              {say({ code: 'lock.now' })}
            </button>
            <button type="button" onClick={() => void leave(false)}>
              {say({ code: 'bar.signOut' })}
            </button>
            <button type="button" onClick={() => void leave(true)}>
              {say({ code: 'bar.everywhere' })}
            </button>
          </div>
        </details>
      </div>
    </header>
  );
}

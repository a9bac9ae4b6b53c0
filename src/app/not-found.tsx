import { Link } from '@/ui/link';

export default function NotFound() {
  return (
    <main className="page page-narrow">
      <div className="sheet">
        <h1>Not here</h1>
        <p>There is nothing under this address. Scan the code again, or search.</p>
        <Link className="btn btn-primary" href="/">
          To the bench
        </Link>
      </div>
    </main>
  );
}

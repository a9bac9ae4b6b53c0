import { Link } from '@/ui/link';

export default function Forbidden() {
  return (
    <main className="page page-narrow">
      <div className="sheet">
        <h1>Not for your role</h1>
        <p>
          This room needs a role that your account doesn’t have. The try was noted in the audit. Ask an administrator if you
          should have it.
        </p>
        <Link className="btn btn-primary" href="/">
          To the bench
        </Link>
      </div>
    </main>
  );
}

'use client';
import Button from 'react-bootstrap/Button';

export function PrintButton({ children = 'Print' }: { children?: string }) {
  return <Button onClick={() => window.print()}>{children}</Button>;
}

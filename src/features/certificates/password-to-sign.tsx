import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import '@/core/words/en/sign';

/** The field that makes a press a signature. */
export function PasswordToSign({ value, onChange }: { value: string; onChange: (password: string) => void }) {
  return (
    <Form.Control
      type="password"
      autoComplete="current-password"
      aria-label={say({ code: 'sign.password' })}
      placeholder={say({ code: 'sign.password' })}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      style={{ width: '15rem' }}
    />
  );
}

import Image from 'next/image';

interface Props {
  workshop: { name: string; address: string; contact?: string; logo?: string | null };
  /** Slips say whose they are, and no more. */
  short?: boolean;
}

/** Whose paper it is: sign, name, address. */
export function LetterHead({ workshop: { name, address, contact, logo }, short = false }: Props) {
  return (
    <div>
      {logo && (
        <Image unoptimized width={280} height={96} className="letter-logo d-block mb-1" src={`/api/logo?of=${logo}`} alt="" />
      )}
      <div>{name}</div>
      {!short && <div style={{ whiteSpace: 'pre-line' }}>{address}</div>}
      {!short && contact && <div style={{ whiteSpace: 'pre-line' }}>{contact}</div>}
    </div>
  );
}

/** To whom a paper goes. */
export function Addressee({ customer: { name, address } }: { customer: { name: string; address: string } }) {
  return (
    <p>
      <strong>{name}</strong>
      <br />
      <span style={{ whiteSpace: 'pre-line' }}>{address}</span>
    </p>
  );
}

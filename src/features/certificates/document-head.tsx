import type { ReactNode } from 'react';
import { day } from '@/ui/format';

interface Props {
  customer: { name: string; address: string };
  item: { maker: string; model: string; serial: string; tag: string };
  calibrated: ReactNode;
  issued: string;
  due: { date: string } | null;
}

/** Whose instrument, which one, when: above every document on the screen, whatever its form. */
export function DocumentHead({ customer, item, calibrated, issued, due }: Props) {
  return (
    <div className="sheet">
      <div className="row">
        <div className="col-md-4">
          <div className="quiet small">Customer</div>
          <strong>{customer.name}</strong>
          <br />
          {customer.address}
        </div>
        <div className="col-md-4">
          <div className="quiet small">Item</div>
          <strong>
            {item.maker} {item.model}
          </strong>
          <br />
          <span className="mono">
            {item.serial}
            {item.tag && ` · ${item.tag}`}
          </span>
        </div>
        <div className="col-md-4">
          <div className="quiet small">Calibrated, issued</div>
          <strong>{calibrated}</strong>, {day(issued)}
          <br />
          {due ? `due ${day(due.date)}` : 'no due date agreed'}
        </div>
      </div>
    </div>
  );
}

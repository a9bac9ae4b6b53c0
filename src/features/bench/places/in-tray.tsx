'use client';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { day } from '@/ui/format';
import { StatusMark } from '@/ui/status-mark';
import type { BoardTicket } from '../server/board';
import '@/core/words/en/services';

/** What was received and waits, sorted by promise. A ticket is chosen by click or key and lifted by drag. */
export function InTray({
  tickets,
  chosen,
  today,
  onChoose,
  may,
}: {
  tickets: BoardTicket[];
  chosen: string | null;
  today: string;
  onChoose: (id: string) => void;
  may: boolean;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: 'in-tray' });
  return (
    <section className="tray" aria-label="In-tray">
      <h2>
        In-tray <span className="small-caps">{tickets.length}</span>
      </h2>
      <div ref={setNodeRef} className={`tray-stack${isOver ? ' over' : ''}`}>
        {tickets.map((ticket) => (
          <TicketSlipCard
            key={ticket.id}
            ticket={ticket}
            chosen={ticket.id === chosen}
            today={today}
            onChoose={() => onChoose(ticket.id)}
            may={may}
          />
        ))}
        {tickets.length === 0 && (
          <div className="empty">
            Nothing waits. <Link href="/receive">Receive</Link> an instrument and its ticket lies here, sorted by promise.
          </div>
        )}
      </div>
    </section>
  );
}

function TicketSlipCard({
  ticket,
  chosen,
  today,
  onChoose,
  may,
}: {
  ticket: BoardTicket;
  chosen: boolean;
  today: string;
  onChoose: () => void;
  may: boolean;
}) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: ticket.id, disabled: !may });
  const late = ticket.promiseOn !== null && ticket.promiseOn <= today;
  return (
    <div
      ref={setNodeRef}
      {...listeners}
      className={`ticket${isDragging ? ' lifted' : ''}${chosen ? ' chosen' : ''}`}
      data-testid={`ticket-${ticket.code}`}
      onClick={onChoose}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 30 } : undefined}
    >
      <div className="top">
        <span className="mono">{ticket.code}</span>
        <span className={late ? 'due-soon' : ''}>{ticket.promiseOn ? `by ${day(ticket.promiseOn)}` : 'no promise'}</span>
      </div>
      <button
        type="button"
        className="name"
        aria-pressed={chosen}
        onClick={(event) => {
          event.stopPropagation();
          onChoose();
        }}
      >
        {ticket.maker} {ticket.model}
      </button>
      <div className="d-flex justify-content-between gap-2">
        <span className="mono">{ticket.serial}</span>
        <Link
          href={`/tickets/${ticket.id}`}
          className="small"
          onClick={(event) => event.stopPropagation()}
          onPointerDown={(event) => event.stopPropagation()}
        >
          slip
        </Link>
      </div>
      <div className="quiet small">
        {ticket.customer}
        {ticket.service !== 'calibrate' ? ` · ${say({ code: `service.${ticket.service}` })}` : ''}
      </div>
      <StatusMark status={ticket.instrument.status} why={ticket.instrument.why} />
      {ticket.sentBack && <div className="verdict cannotTell small">sent back by the signatory</div>}
    </div>
  );
}

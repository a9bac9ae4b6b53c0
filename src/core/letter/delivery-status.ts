/** What a mail server says became of a mail that it had taken. */
export interface DeliveryStatus {
  /** The sender's own mark of the mail (RFC 3461, 4.4), where the servers on the way carried it. */
  envelopeId: string | null;
  recipient: string;
  action: 'failed' | 'delayed' | 'delivered' | 'relayed' | 'expanded';
  /** Such as 5.1.1 (RFC 3463). */
  status: string;
  diagnostic: string;
}

const ACTIONS = ['failed', 'delayed', 'delivered', 'relayed', 'expanded'] as const;
const FIELD = /^([\w-]+):\s*(.*)$/;

/**
 * Reads the part message/delivery-status of a report: first the fields of the message, then a group of fields for each recipient, groups told apart by an empty line. What is no such report gives nothing.
 * Errors: none. Source: RFC 3464, 2.1 to 2.3.
 *
 * @example
 * deliveryStatuses('Reporting-MTA: dns; a\n\nFinal-Recipient: rfc822; x@b\nAction: failed\nStatus: 5.1.1')[0].status // '5.1.1'
 */
export function deliveryStatuses(report: string): DeliveryStatus[] {
  const groups = report
    .replaceAll('\r\n', '\n')
    // A line that begins with a space goes on with the one before (RFC 5322, 2.2.3).
    .replace(/\n[ \t]+/g, ' ')
    .split(/\n\s*\n/)
    .map(fieldsOf)
    .filter((group) => group.size > 0);
  const envelopeId = groups[0]?.get('original-envelope-id') ?? null;
  return groups.flatMap((group) => {
    const action = ACTIONS.find((one) => one === group.get('action')?.toLowerCase());
    const recipient = (group.get('original-recipient') ?? group.get('final-recipient') ?? '').replace(/^[^;]*;\s*/, '');
    const status = /^\d\.\d{1,3}\.\d{1,3}/.exec(group.get('status') ?? '')?.[0];
    if (!action || !status || !recipient) return [];
    const diagnostic = (group.get('diagnostic-code') ?? '').replace(/^[^;]*;\s*/, '').slice(0, 300);
    return [{ envelopeId, recipient, action, status, diagnostic }];
  });
}

function fieldsOf(group: string): Map<string, string> {
  const fields = new Map<string, string>();
  for (const line of group.split('\n')) {
    const [, name, value] = FIELD.exec(line.trim()) ?? [];
    if (name && !fields.has(name.toLowerCase())) fields.set(name.toLowerCase(), value!.trim());
  }
  return fields;
}

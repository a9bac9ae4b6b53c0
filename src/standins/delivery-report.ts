/** A report that a mail could not be delivered after all, as a server sends it to the address that the mail came from (RFC 3464; multipart/report, RFC 6522). Invented names of example domains. */
export function deliveryReport({
  to,
  recipient,
  envelopeId,
  headers,
}: {
  to: string;
  recipient: string;
  envelopeId: string | undefined;
  headers: string;
}): string {
  const boundary = 'report-of-the-stand-in';
  return [
    'From: Mail Delivery System <mailer-daemon@relay.example>',
    `To: <${to}>`,
    'Subject: Undelivered mail returned to sender',
    'Auto-Submitted: auto-replied',
    'MIME-Version: 1.0',
    `Content-Type: multipart/report; report-type=delivery-status; boundary="${boundary}"`,
    '',
    `--${boundary}`,
    'Content-Type: text/plain; charset=utf-8',
    '',
    `The mail to ${recipient} could not be delivered.`,
    '',
    `--${boundary}`,
    'Content-Type: message/delivery-status',
    '',
    'Reporting-MTA: dns; relay.example',
    ...(envelopeId ? [`Original-Envelope-Id: ${envelopeId}`] : []),
    '',
    `Final-Recipient: rfc822; ${recipient}`,
    'Action: failed',
    'Status: 5.1.1',
    'Diagnostic-Code: smtp; 550 5.1.1 no mailbox',
    '  of that name',
    '',
    `--${boundary}`,
    'Content-Type: text/rfc822-headers',
    '',
    headers.trimEnd(),
    '',
    `--${boundary}--`,
    '',
  ].join('\r\n');
}

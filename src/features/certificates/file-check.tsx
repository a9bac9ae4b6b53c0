'use client';
import { inSentence } from '@/core/words/in-sentence';
import { useState } from 'react';
import type { JWK } from 'jose';
import { checkFile, type CheckedFile, type OnRecord } from '@/core/certificate/check/check-file';
import { say } from '@/core/words/say';
import { VerdictMark } from '@/ui/verdict-mark';

const HEADLINE: Record<CheckedFile['verdict'], [state: 'within' | 'outside' | 'cannotTell', text: string]> = {
  genuine: ['within', 'This file is the document that was issued'],
  doctored: ['outside', 'This file is NOT as it was issued'],
  notOurs: ['outside', 'This file was not signed by this workshop'],
  unreadable: ['cannotTell', 'This file can’t be checked'],
};

/** Whoever has the file drops it here: it is checked in this browser, and nothing is uploaded. */
export function FileCheck({ record, keys }: { record: OnRecord | null; keys: JWK[] }) {
  const [checked, setChecked] = useState<(CheckedFile & { name: string }) | null>(null);
  const [over, setOver] = useState(false);
  const look = async (file: File | undefined) => {
    if (!file) return;
    const result = await checkFile(new Uint8Array(await file.arrayBuffer()), keys, record);
    setChecked({ ...result, name: file.name });
  };
  return (
    <div className="sheet">
      <h2>Have you got the file?</h2>
      <label
        className={`drop-file${over ? ' over' : ''}`}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          void look(event.dataTransfer.files[0]);
        }}
      >
        <strong>Drop the PDF or its data here, or press to choose it</strong>
        <span className="quiet small">
          It is checked in your browser: signature, every deviation, uncertainty and verdict. Nothing is uploaded.
        </span>
        <input
          type="file"
          className="visually-hidden"
          accept=".pdf,.json,application/pdf,application/json"
          aria-label="File to check"
          onChange={(event) => void look(event.target.files?.[0])}
        />
      </label>
      {checked && (
        <div className="checked-file" data-testid="checked" data-verdict={checked.verdict} role="status">
          <h3 className="mt-3">
            <VerdictMark state={HEADLINE[checked.verdict][0]} word={HEADLINE[checked.verdict][1]} />
          </h3>
          <p className="mono small quiet mb-2">{checked.name}</p>
          <ul className="list-unstyled mb-2">
            {checked.lines.map(({ good, fact }) => (
              <li key={fact.code} className="mb-1">
                <VerdictMark state={good ? 'within' : 'outside'} word={say(fact)} />
              </li>
            ))}
          </ul>
          {checked.findings.length > 0 && (
            <ul>
              {checked.findings.map((finding, index) => (
                <li key={index}>
                  <strong>{finding.where}</strong>: {say({ code: finding.code, numbers: finding.numbers })}
                </li>
              ))}
            </ul>
          )}
          {checked.content && <DataShown content={checked.content} />}
        </div>
      )}
    </div>
  );
}

/** What the signed data says, to be held beside the paper. */
function DataShown({ content }: { content: NonNullable<CheckedFile['content']> }) {
  return (
    <>
      <p className="mb-1">
        The data says: <strong>{content.title}</strong> <span className="mono">{content.number}</span> for {content.customer.name}
        , {content.item.maker} {content.item.model} <span className="mono">{content.item.serial}</span>
      </p>
      {content.results.length > 0 && (
        <table className="table table-sm mb-0">
          <thead>
            <tr>
              <th>Point</th>
              <th />
              <th className="text-end">Reference</th>
              <th className="text-end">Reading</th>
              <th className="text-end">U</th>
              <th>Verdict</th>
            </tr>
          </thead>
          <tbody>
            {content.results.flatMap((line) =>
              (['found', 'left'] as const).flatMap((side) => {
                const judged = line[side];
                return judged
                  ? [
                      <tr key={`${line.channel}/${line.point}/${side}`}>
                        <td>
                          {line.label}, {inSentence(line.point)}, {line.unit.shown}
                        </td>
                        <td className="quiet">as {side}</td>
                        <td className="mono text-end">{judged.reference ?? '—'}</td>
                        <td className="mono text-end">{judged.reading}</td>
                        <td className="mono text-end">{judged.expanded ?? '—'}</td>
                        <td>{say({ code: `verdict.${judged.verdict}` })}</td>
                      </tr>,
                    ]
                  : [];
              }),
            )}
          </tbody>
        </table>
      )}
    </>
  );
}

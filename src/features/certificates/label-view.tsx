import { LABEL_OF } from '@/core/results/outcome';
import { say } from '@/core/words/say';
import { LABEL_PAPERS, pageRule, ROLL_MM, type LabelPaper } from '@/core/paper/label-paper';
import { PrintButton } from '@/ui/print-button';
import { Link } from '@/ui/link';
import { LabelCard, type LabelOf } from './label-card';
import '@/core/words/en/paper';

interface Props {
  labels: LabelOf[];
  paper: LabelPaper;
  /** The address of the same labels on another paper. */
  onPaper: (paper: LabelPaper) => string;
  /** Serials of what was chosen and has no document yet. */
  without?: string[];
}

/** Labels for instruments, one or many, in the size that is set. Nothing is printed over what is undecided. */
export function LabelView({ labels, paper, onPaper, without = [] }: Props) {
  const printed = labels.filter((label) => LABEL_OF[label.outcome] !== 'none');
  const undecided = labels.filter((label) => LABEL_OF[label.outcome] === 'none');
  const [only] = labels.length === 1 ? labels : [];
  const roll = ROLL_MM[paper];
  return (
    <>
      <style>{`@media print { ${pageRule(paper)} }`}</style>
      <div className="page-head no-print">
        <h1>{only ? say({ code: `label.title.${LABEL_OF[only.outcome]}` }) : say({ code: 'label.several' })}</h1>
        {only && <span className="mono">{only.content.number}</span>}
        <div className="end">{printed.length > 0 && <PrintButton />}</div>
      </div>
      <nav className="tabs mb-3 no-print" aria-label={say({ code: 'label.paper' })}>
        {LABEL_PAPERS.map((one) => (
          <Link key={one} href={onPaper(one)} aria-current={one === paper}>
            {say({ code: `label.paper.${one}` })}
          </Link>
        ))}
      </nav>
      {undecided.map((label) => (
        <p className="notice no-print" key={label.content.number}>
          <span className="mono">{label.content.item.serial}</span> {say({ code: 'label.none' })}
        </p>
      ))}
      {without.length > 0 && (
        <p className="notice no-print">{say({ code: 'label.without', numbers: { serials: without.join(', ') } })}</p>
      )}
      <div className={roll ? `labels roll-${paper}` : 'labels labels-sheet'} data-testid="labels">
        {printed.map((label) => (
          <LabelCard key={label.content.number} {...label} />
        ))}
      </div>
      {only && LABEL_OF[only.outcome] === 'tag' && (
        <p className="mt-3 no-print">
          <Link className="btn btn-plain" href={`/assets/${only.assetId}/tag`}>
            {say({ code: 'label.toTag' })}
          </Link>
        </p>
      )}
      <p className="quiet mt-3 no-print">{say({ code: 'label.code' })}</p>
    </>
  );
}

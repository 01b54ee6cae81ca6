import type { NotePart } from '@zest/core/calculate/explain/notes';
import { describeFailure } from '../messages/describeFailure.ts';
import { describeProblem } from '../messages/describeProblem.ts';
import { useOpenJob } from '../stores/context.tsx';
import { styles } from './styles.ts';

/** A text with its figures of the moment; one without a figure says why. */
export function NoteText({ parts }: { readonly parts: readonly NotePart[] }) {
  const { job } = useOpenJob();
  return (
    <>
      {parts.map((part, index) => {
        if (part.type === 'words') return <span key={index}>{part.text}</span>;
        if (part.type === 'figure')
          return (
            <b key={index} className={styles.noteFigure}>
              {part.text.figure}
              {part.text.unit === '' ? null : <span className="unit"> {part.text.unit}</span>}
            </b>
          );
        const { worked } = part;
        const reason =
          worked.kind === 'failure'
            ? describeFailure(worked.failure, job)
            : worked.kind === 'problem'
              ? describeProblem(worked.problem)
              : '';
        return (
          <span key={index} className="warn" title={reason} aria-label={reason} role="note">
            {`{${part.formula}}`}
          </span>
        );
      })}
    </>
  );
}

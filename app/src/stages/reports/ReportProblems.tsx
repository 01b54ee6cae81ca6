import type { ReportProblem } from '@zest/core/reports/problem';
import { useOpenJob } from '../../stores/context.tsx';
import { describeReportProblem } from '../../messages/describeReport.ts';
import { styles } from './styles.ts';

/** What of the report does not hold any more, by name; the rest of it goes on. */
export function ReportProblems({ problems }: { readonly problems: readonly ReportProblem[] }) {
  const { job } = useOpenJob();
  if (problems.length === 0) return null;
  return (
    <ul className={styles.problems} role="alert">
      {problems.map((problem) => (
        <li key={JSON.stringify(problem)}>{describeReportProblem(problem, job)}</li>
      ))}
    </ul>
  );
}

import type { FormulaProblem } from '../formula/problem.ts';

/** What of a report does not hold any more, by name. The rest of it goes on. */
export type ReportProblem =
  /** A column of something that rows of this kind do not have. */
  | { readonly kind: 'report-field'; readonly column: string; readonly field: string }
  /** A property that nothing measured has any more. */
  | { readonly kind: 'report-property'; readonly column: string; readonly property: string }
  /** A condition on something that is not there: it lets everything through. */
  | { readonly kind: 'report-condition'; readonly field: string }
  /** A condition against what is no figure: `more than wide`. It lets everything through. */
  | { readonly kind: 'report-value'; readonly field: string; readonly value: string }
  | { readonly kind: 'report-formula'; readonly column: string; readonly problem: FormulaProblem }
  /** A formula over columns that are figured from it. */
  | { readonly kind: 'report-loop'; readonly column: string }
  /** Grouped, sorted or weighted by a column that is not there. */
  | { readonly kind: 'report-column'; readonly column: string; readonly use: 'group' | 'sort' | 'weight' }
  /** A sum of what is of several rows at once would count it several times. */
  | { readonly kind: 'report-total'; readonly column: string }
  | { readonly kind: 'report-key'; readonly column: string };

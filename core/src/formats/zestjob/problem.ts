import type { JobProblem } from '../../job/problem.ts';

/** Why a .zestjob file is refused. Nothing is taken over from a file that has any of these. */
export type ZestjobProblem =
  | { readonly kind: 'zestjob-empty' }
  | { readonly kind: 'zestjob-not-zip' }
  | { readonly kind: 'zestjob-too-large'; readonly limit: number }
  | { readonly kind: 'zestjob-no-job' }
  /** An entry is not what was written; of a drawing, its name as the job knows it. */
  | { readonly kind: 'zestjob-damaged'; readonly name: string }
  | { readonly kind: 'zestjob-unknown-entry'; readonly name: string }
  | { readonly kind: 'zestjob-not-json' }
  | { readonly kind: 'zestjob-other-format' }
  | { readonly kind: 'zestjob-newer'; readonly version: number; readonly known: number }
  | { readonly kind: 'zestjob-unknown-field'; readonly field: string }
  | { readonly kind: 'zestjob-record-type'; readonly type: string; readonly index: number }
  | { readonly kind: 'zestjob-record'; readonly index: number; readonly problem: JobProblem }
  | { readonly kind: 'zestjob-duplicate'; readonly id: string }
  | { readonly kind: 'zestjob-settings'; readonly count: number }
  | { readonly kind: 'zestjob-inconsistent'; readonly problem: JobProblem }
  /** A state that was kept is damaged, or makes no sense as a job. */
  | { readonly kind: 'zestjob-snapshot'; readonly name: string }
  | { readonly kind: 'zestjob-file-missing'; readonly name: string }
  | { readonly kind: 'zestjob-file-size'; readonly name: string }
  /** A drawing that would unpack to more than is taken. */
  | { readonly kind: 'zestjob-file-unpacks'; readonly name: string; readonly limit: number };

import type { Result } from '@zest/core/problem/result';
import { type Problem, describeProblem } from '../messages/describeProblem.ts';
import { tellProblem } from '../parts/toaster.tsx';

/** Says why something was refused that has no field of its own to say it beside. */
export function tellRefused(done: Result<unknown, Problem>): void {
  if (!done.ok) tellProblem(describeProblem(done.problem));
}

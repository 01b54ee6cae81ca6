import { componentsOf } from '../../assemblies/frames.ts';
import type { Figure } from '../graph/rule.ts';
import type { Command } from '../../job/change.ts';
import { applyDiff, invertDiff } from '../../job/job.ts';
import type { JobProblem } from '../../job/problem.ts';
import { type Result, accept } from '../../problem/result.ts';
import type { Calculation } from '../calculation.ts';
import { bidNode, lineNode, scopeCostNode } from '../graph/nodes.ts';

export interface LineState {
  readonly name: string;
  readonly unit: string;
  readonly quantity: Figure;
  readonly extension: Figure;
}

/** What a scope's assemblies come to. */
export interface ScopeState {
  readonly lines: readonly LineState[];
  readonly cost: Figure;
  readonly bid: Figure;
}

export interface Preview {
  readonly before: ScopeState;
  readonly after: ScopeState;
}

function stateOf(calculation: Calculation, scopeId: string): ScopeState {
  const { job } = calculation;
  const uses = [...job.use.values()].filter((use) => use.scopeId === scopeId);
  const lines = uses.flatMap((use) =>
    componentsOf(job, use).map(({ key, component: { name, unit } }) => ({
      name,
      unit,
      quantity: calculation.figure(lineNode(key, 'quantity')),
      extension: calculation.figure(lineNode(key, 'extension')),
    })),
  );
  return {
    lines,
    cost: calculation.figure(scopeCostNode(scopeId)),
    bid: calculation.figure(bidNode('total')),
  };
}

/**
 * What a change would make of a scope, without making it: it is applied, read and taken back within
 * the calculation alone. The job and its history know nothing of it.
 */
export function previewOn(
  calculation: Calculation,
  scopeId: string,
  command: Command,
): Result<Preview, JobProblem> {
  const { job } = calculation;
  const before = stateOf(calculation, scopeId);
  const diff = command(job);
  if (!diff.ok) return diff;
  calculation.apply(applyDiff(job, diff.value), diff.value);
  const after = stateOf(calculation, scopeId);
  calculation.apply(job, invertDiff(diff.value));
  return accept({ before, after });
}

import { componentsOf } from '../../assemblies/frames.ts';
import type { Figure } from '../graph/rule.ts';
import type { Command } from '../../job/change.ts';
import type { JobProblem } from '../../job/problem.ts';
import { type Result, accept } from '../../problem/result.ts';
import type { Figures } from '../figures.ts';
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

function stateOf(figures: Figures, scopeId: string): ScopeState {
  const { job } = figures;
  const uses = [...job.use.values()].filter((use) => use.scopeId === scopeId);
  const lines = uses.flatMap((use) =>
    componentsOf(job, use).map(({ key, component: { name, unit } }) => ({
      name,
      unit,
      quantity: figures.figure(lineNode(key, 'quantity')),
      extension: figures.figure(lineNode(key, 'extension')),
    })),
  );
  return {
    lines,
    cost: figures.figure(scopeCostNode(scopeId)),
    bid: figures.figure(bidNode('total')),
  };
}

/**
 * What a change would make of a scope, without making it. The job and its history know nothing of it.
 */
export function previewOn(figures: Figures, scopeId: string, command: Command): Result<Preview, JobProblem> {
  const diff = command(figures.job);
  if (!diff.ok) return diff;
  return accept({ before: stateOf(figures, scopeId), after: stateOf(figures.after(diff.value), scopeId) });
}

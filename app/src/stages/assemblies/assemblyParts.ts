import type { Assembly } from '@zest/core/job/records/assembly';
import { measuresOf } from '@zest/core/takeoff/measures';

/** Puts a changed assembly in place; what it returns is what is wrong. */
export type ChangeAssembly = (label: string, changed: Partial<Assembly>) => string | undefined;

export interface PartProps {
  readonly assembly: Assembly;
  readonly change: ChangeAssembly;
}

/** Names that mean something inside the assembly already. */
export const takenIn = (assembly: Assembly): ReadonlySet<string> =>
  new Set([
    ...assembly.inputs.map(({ key }) => key),
    ...assembly.components.map(({ key }) => key),
    ...measuresOf(assembly.measures),
  ]);

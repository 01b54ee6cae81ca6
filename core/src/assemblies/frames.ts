import { type LineKey, componentLine } from '../job/lineKey.ts';
import type { Id } from '../job/id.ts';
import { type Job, getRecord } from '../job/job.ts';
import { query } from '../job/query.ts';
import type { Assembly, Component, InnerAssembly } from '../job/records/assembly.ts';
import type { Scope } from '../job/records/scope.ts';
import type { Use } from '../job/records/use.ts';

/** An assembly where it is figured: applied to a scope, or inside another assembly there. */
export interface Frame {
  readonly use: Use;
  readonly scope: Scope;
  readonly assembly: Assembly;
  /** Keys of the assemblies around it, each with a dot: `board.`; empty for the one that was applied. */
  readonly path: string;
  /** For an inner assembly: what it stands in, and how. */
  readonly within?: { readonly frame: Frame; readonly inner: InnerAssembly };
}

/** A component at its place in a use. */
export interface PlacedComponent {
  readonly frame: Frame;
  readonly component: Component;
  /** Unique in the use: `studs`, `board.screws`. */
  readonly path: string;
  readonly key: LineKey;
}

export const frameOf = (job: Job, use: Use): Frame => ({
  use,
  scope: getRecord(job, use.scopeId as Id<'scope'>),
  assembly: getRecord(job, use.assemblyId as Id<'assembly'>),
  path: '',
});

/** Deeper than this is refused at the door by the check for an assembly inside itself. */
const DEPTH_LIMIT = 12;

function withInner(job: Job, frame: Frame, depth: number): readonly Frame[] {
  const inner = depth >= DEPTH_LIMIT ? [] : (frame.assembly.inner ?? []);
  if (inner.length === 0) return [frame];
  return [
    frame,
    ...inner.flatMap((each) => {
      const assembly = job.assembly.get(each.assemblyId);
      if (assembly === undefined) return [];
      const { use, scope } = frame;
      const path = `${frame.path}${each.key}.`;
      return withInner(job, { use, scope, assembly, path, within: { frame, inner: each } }, depth + 1);
    }),
  ];
}

/** The applied assembly and all that stand inside it, outer ones first. */
export const framesOf = (job: Job, use: Use): readonly Frame[] => withInner(job, frameOf(job, use), 0);

/** Every component of a use, also those that are off. */
export function allComponentsOf(job: Job, use: Use): readonly PlacedComponent[] {
  return placedOf(job, use).all;
}

function placeAll(job: Job, use: Use): readonly PlacedComponent[] {
  return framesOf(job, use).flatMap((frame) =>
    frame.assembly.components.map((component) => {
      const path = `${frame.path}${component.key}`;
      return { frame, component, path, key: componentLine(use.id, path) };
    }),
  );
}

interface Placed {
  readonly all: readonly PlacedComponent[];
  readonly shown: readonly PlacedComponent[];
}

function place(job: Job, use: Use): Placed {
  const all = placeAll(job, use);
  const off = new Set(use.off);
  return { all, shown: off.size === 0 ? all : all.filter(({ path }) => !off.has(path)) };
}

const placedInJob = query((job, useId) => place(job, getRecord(job, useId as Id<'use'>)));

/** A use is placed once for as long as what it rests on stays: it is asked for all the time. */
const placedOf = (job: Job, use: Use): Placed =>
  job.use.get(use.id) === use ? placedInJob(job, use.id) : place(job, use);

/** The components that make lines: all that are not off. */
export const componentsOf = (job: Job, use: Use): readonly PlacedComponent[] => placedOf(job, use).shown;

/** True when the assembly is applied, or stands inside one that is. */
export const usesAssembly = (job: Job, use: Use, assemblyId: string): boolean =>
  use.assemblyId === assemblyId || framesOf(job, use).some(({ assembly }) => assembly.id === assemblyId);

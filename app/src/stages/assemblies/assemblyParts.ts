import { replaceWords } from '@zest/core/formula/roles';
import { mapNote } from '@zest/core/job/formulas';
import type { Assembly, Component } from '@zest/core/job/records/assembly';
import { measuresOf } from '@zest/core/job/markKinds';
import { keyFor } from '@zest/core/job/keyFor';

/**
 * Puts a changed assembly in place; what it returns is what is wrong. A key that is renamed is followed
 * where the assembly is applied.
 */
export type ChangeAssembly = (
  label: string,
  changed: Partial<Assembly>,
  renamed?: { readonly from: string; readonly to: string },
) => string | undefined;

export interface PartProps {
  readonly assembly: Assembly;
  readonly change: ChangeAssembly;
}

/** Names that mean something inside the assembly already. */
export const takenIn = (assembly: Assembly): ReadonlySet<string> =>
  new Set([
    ...assembly.inputs.map(({ key }) => key),
    ...assembly.components.map(({ key }) => key),
    ...(assembly.inner ?? []).map(({ key }) => key),
    ...measuresOf(assembly.measures),
  ]);

const followed = (text: string, from: string, to: string): string =>
  replaceWords(text, ({ role, word }) => (role === 'name' && word === from ? to : undefined));

/** The assembly with one of its own names replaced in all its formulas, notes and drawings. */
export function renameInAssembly(assembly: Assembly, from: string, to: string): Partial<Assembly> {
  const on = (text: string): string => followed(text, from, to);
  const when = <Part extends { readonly when?: string | undefined }>(part: Part): Part =>
    part.when === undefined ? part : { ...part, when: on(part.when) };
  const { inner, checks, note, section } = assembly;
  return {
    inputs: assembly.inputs.map((each) => when({ ...each, key: each.key === from ? to : each.key })),
    components: assembly.components.map((each) =>
      when({
        ...each,
        key: each.key === from ? to : each.key,
        formula: on(each.formula),
        ...(each.minimum === undefined ? {} : { minimum: on(each.minimum) }),
        ...(each.hoursFactor === undefined ? {} : { hoursFactor: on(each.hoursFactor) }),
        ...(each.sizing === undefined
          ? {}
          : {
              sizing: {
                ...each.sizing,
                by: Object.fromEntries(Object.entries(each.sizing.by).map(([key, text]) => [key, on(text)])),
              },
            }),
      }),
    ),
    ...(inner === undefined
      ? {}
      : {
          inner: inner.map((each) =>
            when({
              ...each,
              key: each.key === from ? to : each.key,
              formula: on(each.formula),
              answers: Object.fromEntries(Object.entries(each.answers).map(([key, text]) => [key, on(text)])),
            }),
          ),
        }),
    ...(checks === undefined
      ? {}
      : { checks: checks.map((each) => ({ when: on(each.when), text: mapNote(each.text, on) })) }),
    ...(note === undefined ? {} : { note: mapNote(note, on) }),
    ...(section === undefined
      ? {}
      : {
          section: section.map((shape) =>
            when({
              ...shape,
              x: on(shape.x),
              y: on(shape.y),
              width: on(shape.width),
              height: on(shape.height),
              ...(shape.flare === undefined ? {} : { flare: on(shape.flare) }),
            }),
          ),
        }),
  };
}

/** A component with another name; its name in formulas follows while it was never chosen by hand. */
export function renameComponent(assembly: Assembly, component: Component, name: string): Partial<Assembly> {
  const others = new Set([...takenIn(assembly)].filter((key) => key !== component.key));
  const follows = component.key === keyFor(component.name, others);
  const key = follows ? keyFor(name, others) : component.key;
  const renamed =
    key === component.key ? assembly : { ...assembly, ...renameInAssembly(assembly, component.key, key) };
  return {
    ...(key === component.key ? {} : renameInAssembly(assembly, component.key, key)),
    components: renamed.components.map((each) => (each.key === key ? { ...each, name } : each)),
  };
}

/** A record with some fields changed; one that is set to undefined is left out altogether. */
export const withChanges = <Part extends object>(part: Part, changed: Partial<Part>): Part =>
  Object.fromEntries(
    Object.entries({ ...part, ...changed }).filter(([, value]) => value !== undefined),
  ) as Part;

export const UNIT_CHOICES = [
  'ea',
  'ft',
  'ft²',
  'ft³',
  'yd²',
  'yd³',
  'in',
  'lb',
  'ton',
  'h',
  'm',
  'm²',
  'm³',
  'mm',
  'kg',
  'sheet',
  'bag',
  'stick',
  'box',
  'roll',
  'load',
  'set',
  '%',
] as const;

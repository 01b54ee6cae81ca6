import { parseFormula } from '../formula/parse.ts';
import { listReferences } from '../formula/references.ts';
import { remember } from '../job/remember.ts';
import type { Assembly } from '../job/records/assembly.ts';

/** Names that a formula reads; none where it cannot be read. */
function namesIn(text: string | undefined): readonly string[] {
  const parsed = text === undefined || text === '' ? undefined : parseFormula(text);
  if (parsed?.ok !== true) return [];
  return listReferences(parsed.value).flatMap((each) => (each.type === 'name' ? [each.name] : []));
}

type Asked = Pick<Assembly, 'inputs' | 'components' | 'inner'>;

/**
 * The questions of an assembly whose answers can change what it costs: those that quantities, hours, sizes, rules or
 * inner assemblies read, by themselves or through other answers and components. The others are for the drawing and the notes.
 */
export const pricingInputs = remember((assembly: Asked): ReadonlySet<string> => {
  const pending = [
    ...assembly.components.flatMap(({ formula, when, minimum, hoursFactor, sizing }) =>
      [formula, when, minimum, hoursFactor, ...Object.values(sizing?.by ?? {})].flatMap(namesIn),
    ),
    ...(assembly.inner ?? []).flatMap(({ formula, when, answers }) =>
      [formula, when, ...Object.values(answers)].flatMap(namesIn),
    ),
  ];
  const read = new Set(pending);
  const inputs = new Map(assembly.inputs.map((input) => [input.key, input]));
  // A set grows while it is walked: what an answer rests on counts as well.
  for (const name of read) {
    const input = inputs.get(name);
    for (const further of [...namesIn(input?.value), ...namesIn(input?.when)]) read.add(further);
  }
  return new Set(assembly.inputs.map(({ key }) => key).filter((key) => read.has(key)));
});

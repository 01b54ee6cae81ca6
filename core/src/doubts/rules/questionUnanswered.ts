import { measureNode } from '../../calculate/graph/nodes.ts';
import { leadingMeasure } from '../../job/markKinds.ts';
import { defineRule } from '../rule.ts';

/** Assemblies that price what is measured, and were never told anything: all their questions stand at the usual answer. */
export const questionUnanswered = defineRule('question-unanswered', 'scopes', ({ job, figures, known }) =>
  [...job.use.values()].flatMap(({ id, scopeId, assemblyId, answers, usualKept }) => {
    if (usualKept === true) return [];
    const [scope, assembly] = [job.scope.get(scopeId), job.assembly.get(assemblyId)];
    if (scope === undefined || assembly === undefined || !figures.isMeasured(scopeId)) return [];
    if ((known(measureNode(scopeId, leadingMeasure(scope.kind))) ?? 0) === 0) return [];
    const said = new Set([...Object.keys(answers), ...scope.properties.map(({ key }) => key)]);
    const asked = assembly.inputs.filter(({ key }) => !said.has(key));
    // One answer shows that somebody looked at them.
    if (asked.length === 0 || asked.length < assembly.inputs.length) return [];
    const facts = { assembly: assembly.name, questions: asked.length };
    return [{ of: id, name: scope.name, place: { at: 'scope' as const, id: scopeId }, facts }];
  }),
);

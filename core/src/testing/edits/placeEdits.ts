import { remove } from '../../job/change.ts';
import { removeMarks, removeScope, removeSection } from '../../job/commands/removeWith.ts';
import { makeMark } from '../job.ts';
import type { RandomEdit } from './hand.ts';

/** What is done to what is measured, and to the sections it is priced in. */
export const placeEdits: readonly RandomEdit[] = [
  ({ bench, settings }) => {
    if (settings === undefined) return;
    const { linesBy, ...rest } = settings;
    bench.attempt(linesBy === undefined ? { ...settings, linesBy: 'code' } : rest);
  },
  ({ bench, job, at, pick, amount }) => {
    const assembly = at(job.assembly.values());
    if (assembly)
      bench.attempt({
        ...assembly,
        components: assembly.components.map((each, i) =>
          i === pick % assembly.components.length ? { ...each, costCode: `0${amount % 10}` } : each,
        ),
      });
  },
  ({ bench, section, amount }) => {
    if (section !== undefined && (section.code === '09' || amount % 6 === 0))
      bench.attempt(removeSection(section.id));
  },
  ({ bench, section, amount }) =>
    bench.attempt({
      type: 'section',
      id: bench.makeId('section'),
      code: `0${amount % 10}.1`,
      name: 'Inner',
      parentId: section?.id ?? null,
      order: 9,
    }),
  ({ bench, job, section, amount }) => {
    // A section into a top one that it does not hold itself.
    const into = [...job.section.values()].filter(
      ({ parentId, id }) => parentId === null && id !== section?.id,
    );
    const parent = into[amount % Math.max(1, into.length)];
    const holds = [...job.section.values()].some(({ parentId }) => parentId === section?.id);
    if (section !== undefined && parent !== undefined && !holds)
      bench.attempt({ ...section, parentId: section.parentId === null ? parent.id : null });
  },
  ({ bench, job, at, section, alternate, amount }) => {
    const scope = at(job.scope.values());
    if (scope === undefined) return;
    const { alternate: _was, ...rest } = scope;
    if (amount % 3 === 0 && alternate !== undefined)
      bench.attempt({ ...scope, alternate: { id: alternate.id, as: amount % 2 === 0 ? 'adds' : 'drops' } });
    else bench.attempt({ ...rest, sectionId: amount % 3 === 1 ? (section?.id ?? null) : null });
  },
  ({ bench, job, at, amount }) => {
    const scope = at(job.scope.values());
    if (scope === undefined) return;
    const [wide, high] = [1 + (amount % 50), 1 + (amount % 7)];
    const stroke =
      scope.kind === 'area'
        ? ([
            [0, 0],
            [wide, 0],
            [wide, high],
            [0, high],
          ] as const)
        : ([
            [0, 0],
            [wide, 0],
          ] as const);
    bench.attempt(makeMark(bench.makeId, scope, bench.sheet, stroke));
  },
  ({ bench, job, at }) => {
    const mark = at(job.mark.values());
    if (mark) bench.attempt(removeMarks([mark.id]));
  },
  ({ bench, job, at, amount }) => {
    const scope = at(job.scope.values());
    if (scope && amount % 4 === 0) bench.attempt(removeScope(scope.id));
  },
  ({ bench, job, at, amount, pick }) => {
    const use = at(job.use.values());
    if (use === undefined) return;
    const { components = [] } = job.assembly.get(use.assemblyId) ?? {};
    if (amount % 6 === 0) bench.attempt(remove(use.id));
    else
      bench.attempt({ ...use, off: components.filter((_, i) => (pick + i) % 4 === 0).map(({ key }) => key) });
  },
  ({ bench, job, at, amount }) => {
    const scope = at(job.scope.values());
    if (scope === undefined) return;
    const fitting = [...job.assembly.values()].filter(({ measures }) => measures === scope.kind);
    const assembly = fitting[amount % Math.max(1, fitting.length)];
    if (assembly !== undefined)
      bench.attempt({
        type: 'use',
        id: bench.makeId('use'),
        scopeId: scope.id,
        assemblyId: assembly.id,
        order: 2,
        answers: {},
      });
  },
  ({ bench, job, at, amount, settings }) => {
    const scope = at(job.scope.values());
    if (scope === undefined) return;
    const hard = {
      type: 'difficulty',
      id: bench.makeId('difficulty'),
      name: 'Hard',
      factor: 1 + (amount % 5) / 10,
      order: 1,
    } as const;
    bench.attempt(hard);
    bench.attempt({ ...scope, difficulty: [hard.id] });
    const zone = at(job.zone.values());
    if (zone !== undefined && amount % 2 === 0) bench.attempt({ ...zone, difficulty: [hard.id] });
    if (settings !== undefined && amount % 5 === 0) bench.attempt({ ...settings, difficulty: [hard.id] });
  },
];

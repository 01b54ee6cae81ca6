import { remove } from '../../job/change.ts';
import { removeMarks, removeScope, removeSection } from '../../job/commands/removeWith.ts';
import { makeMark } from '../job.ts';
import type { Deed } from './hand.ts';

/** What is done to what is measured, and to the sections it is priced in. */
export const placeDeeds: readonly Deed[] = [
  ({ desk, settings }) => {
    if (settings === undefined) return;
    const { linesBy, ...rest } = settings;
    desk.attempt(linesBy === undefined ? { ...settings, linesBy: 'code' } : rest);
  },
  ({ desk, job, at, pick, amount }) => {
    const assembly = at(job.assembly.values());
    if (assembly)
      desk.attempt({
        ...assembly,
        components: assembly.components.map((each, i) =>
          i === pick % assembly.components.length ? { ...each, costCode: `0${amount % 10}` } : each,
        ),
      });
  },
  ({ desk, section, amount }) => {
    if (section !== undefined && (section.code === '09' || amount % 6 === 0))
      desk.attempt(removeSection(section.id));
  },
  ({ desk, section, amount }) =>
    desk.attempt({
      type: 'section',
      id: desk.makeId('section'),
      code: `0${amount % 10}.1`,
      name: 'Inner',
      parentId: section?.id ?? null,
      order: 9,
    }),
  ({ desk, job, section, amount }) => {
    // A section into a top one that it does not hold itself.
    const into = [...job.section.values()].filter(
      ({ parentId, id }) => parentId === null && id !== section?.id,
    );
    const parent = into[amount % Math.max(1, into.length)];
    const holds = [...job.section.values()].some(({ parentId }) => parentId === section?.id);
    if (section !== undefined && parent !== undefined && !holds)
      desk.attempt({ ...section, parentId: section.parentId === null ? parent.id : null });
  },
  ({ desk, job, at, section, alternate, amount }) => {
    const scope = at(job.scope.values());
    if (scope === undefined) return;
    const { alternate: _was, ...rest } = scope;
    if (amount % 3 === 0 && alternate !== undefined)
      desk.attempt({ ...scope, alternate: { id: alternate.id, as: amount % 2 === 0 ? 'adds' : 'drops' } });
    else desk.attempt({ ...rest, sectionId: amount % 3 === 1 ? (section?.id ?? null) : null });
  },
  ({ desk, job, at, amount }) => {
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
    desk.attempt(makeMark(desk.makeId, scope, desk.sheet, stroke));
  },
  ({ desk, job, at }) => {
    const mark = at(job.mark.values());
    if (mark) desk.attempt(removeMarks([mark.id]));
  },
  ({ desk, job, at, amount }) => {
    const scope = at(job.scope.values());
    if (scope && amount % 4 === 0) desk.attempt(removeScope(scope.id));
  },
  ({ desk, job, at, amount, pick }) => {
    const use = at(job.use.values());
    if (use === undefined) return;
    const { components = [] } = job.assembly.get(use.assemblyId) ?? {};
    if (amount % 6 === 0) desk.attempt(remove(use.id));
    else
      desk.attempt({ ...use, off: components.filter((_, i) => (pick + i) % 4 === 0).map(({ key }) => key) });
  },
  ({ desk, job, at, amount }) => {
    const scope = at(job.scope.values());
    if (scope === undefined) return;
    const fitting = [...job.assembly.values()].filter(({ measures }) => measures === scope.kind);
    const assembly = fitting[amount % Math.max(1, fitting.length)];
    if (assembly !== undefined)
      desk.attempt({
        type: 'use',
        id: desk.makeId('use'),
        scopeId: scope.id,
        assemblyId: assembly.id,
        order: 2,
        answers: {},
      });
  },
  ({ desk, job, at, amount }) => {
    const scope = at(job.scope.values());
    if (scope === undefined) return;
    const hard = {
      type: 'difficulty',
      id: desk.makeId('difficulty'),
      name: 'Hard',
      factor: 1 + (amount % 5) / 10,
      order: 1,
    } as const;
    desk.attempt(hard);
    desk.attempt({ ...scope, difficulty: [hard.id] });
  },
];

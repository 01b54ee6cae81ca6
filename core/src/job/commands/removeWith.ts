import { type Result, refuse } from '../../problem/result.ts';
import type { Command } from '../change.ts';
import { put, remove, sequence } from '../change.ts';
import { ensureUnused } from './names.ts';
import type { Id } from '../id.ts';
import { type Diff, type Job, findRecord } from '../job.ts';
import type { JobProblem } from '../problem.ts';
import type { PlaceInAlternate } from '../records/alternate.ts';
import type { Line } from '../records/line.ts';
import type { Override } from '../records/override.ts';
import type { Package } from '../records/quote.ts';
import type { Scope } from '../records/scope.ts';
import type { Sheet } from '../records/sheet.ts';

/** Marks go with the openings that sit in them. */
export const removeMarks =
  (ids: readonly Id<'mark'>[]): Command =>
  (job) => {
    const gone = new Set<string>(ids);
    const openings = [...job.opening.values()].filter(({ markId }) => gone.has(markId)).map(({ id }) => id);
    return remove(...openings, ...ids)(job);
  };

/** A level goes; its sheets stay, on no level. */
export const removeLevel =
  (levelId: Id<'level'>): Command =>
  (job) => {
    const sheets = [...job.sheet.values()]
      .filter((sheet) => sheet.levelId === levelId)
      .map(({ levelId: _gone, ...sheet }) => sheet);
    const due = [...job.scope.values()]
      .filter(({ dueOn }) => dueOn?.includes(levelId) === true)
      .map((scope) => ({ ...scope, dueOn: scope.dueOn?.filter((id) => id !== levelId) ?? [] }));
    return sequence(put(...sheets, ...due), remove(levelId))(job);
  };

/** A zone goes; its marks stay, in no zone. */
export const removeZone =
  (zoneId: Id<'zone'>): Command =>
  (job) => {
    const marks = [...job.mark.values()]
      .filter((mark) => mark.zoneId === zoneId)
      .map(({ zoneId: _gone, ...mark }) => mark);
    return sequence(put(...marks), remove(zoneId))(job);
  };

/** A scope goes with its marks and the assemblies applied to it; undo brings all of it back. */
export const removeScope =
  (scopeId: Id<'scope'>): Command =>
  (job) => {
    const marks = [...job.mark.values()].filter((mark) => mark.scopeId === scopeId).map(({ id }) => id);
    const pieces = [...job.piece.values()].filter((piece) => piece.scopeId === scopeId);
    // Openings that were counted by the scope stay in their walls, counted nowhere.
    const counted = [...job.opening.values()]
      .filter((opening) => opening.scopeId === scopeId && !marks.includes(opening.markId))
      .map((opening) => ({ ...opening, scopeId: null }));
    const uses = [...job.use.values()].filter((use) => use.scopeId === scopeId);
    const key = job.scope.get(scopeId)?.key ?? '';
    const going = new Set<string>([scopeId, ...pieces.map(({ id }) => id), ...uses.map(({ id }) => id)]);
    const met = [...job.scope.values()]
      .filter(({ id, meets }) => id !== scopeId && meets?.includes(scopeId) === true)
      .map((scope) => ({ ...scope, meets: scope.meets?.filter((id) => id !== scopeId) ?? [] }));
    return sequence(
      ensureUnused({ type: 'scope', key }, job.scope.get(scopeId)?.name ?? '', going),
      put(...counted, ...met),
      removeMarks(marks),
      remove(...pieces.map(({ id }) => id), ...uses.map(({ id }) => id), scopeId),
    )(job);
  };

/** The files a sheet shows pages of, each once. */
const filesOf = ({ fileId, placings = [] }: Sheet): readonly Id<'file'>[] => [
  ...new Set([fileId, ...placings.map((placing) => placing.fileId)]),
];

/** A sheet goes with its marks, and its file once no sheet is left on it. */
export const removeSheet =
  (sheetId: Id<'sheet'>): Command =>
  (job) => {
    const sheet = findRecord(job, sheetId);
    if (sheet === undefined) return refuse({ kind: 'record-gone', id: sheetId });
    const marks = [...job.mark.values()].filter((mark) => mark.sheetId === sheetId).map(({ id }) => id);
    const others = [...job.sheet.values()].filter(({ id }) => id !== sheetId);
    const kept = new Set(others.flatMap(filesOf));
    const files = filesOf(sheet).filter((fileId) => !kept.has(fileId));
    // A sheet joined from this one has its pages for itself; only how it was joined is lost.
    const joined = others
      .filter(({ join }) => join?.first === sheetId || join?.second === sheetId)
      .map(({ join: _gone, ...each }) => each);
    // What was read off the sheet stays as data; only the sheet it was printed on is gone.
    const schedules = [...job.schedule.values()]
      .filter((schedule) => schedule.sheetId === sheetId)
      .map((schedule) => ({ ...schedule, sheetId: null }));
    return sequence(put(...schedules, ...joined), removeMarks(marks), remove(sheetId, ...files))(job);
  };

/** An assembly that scopes still use stays; the refusal names them. */
export const removeAssembly =
  (assemblyId: Id<'assembly'>): Command =>
  (job) => {
    const scopes = [...job.use.values()]
      .filter((use) => use.assemblyId === assemblyId)
      .map((use) => job.scope.get(use.scopeId)?.name ?? '');
    const name = findRecord(job, assemblyId)?.name ?? '';
    const around = [...job.assembly.values()].filter(({ inner }) =>
      inner?.some((each) => each.assemblyId === assemblyId),
    );
    if (around.length > 0)
      return refuse({ kind: 'name-in-use', name, users: around.map((each) => each.name) });
    if (scopes.length > 0) return refuse({ kind: 'assembly-in-use', name, scopes });
    return remove(assemblyId)(job);
  };

/** A section with inner sections stays; its scopes and lines move up to the section around it. */
export const removeSection =
  (sectionId: Id<'section'>): Command =>
  (job): Result<Diff, JobProblem> => {
    const section = findRecord(job, sectionId);
    if (section === undefined) return refuse({ kind: 'record-gone', id: sectionId });
    const inner = [...job.section.values()].filter(({ parentId }) => parentId === sectionId).length;
    if (inner > 0) return refuse({ kind: 'section-in-use', name: section.name, count: inner });
    const moved = { sectionId: section.parentId };
    const scopes = [...job.scope.values()].filter((each) => each.sectionId === sectionId);
    const lines = [...job.line.values()].filter((each) => each.sectionId === sectionId);
    const packages = [...job.package.values()].filter((each) => each.sectionId === sectionId);
    const held = [
      ...scopes.map((each) => ({ ...each, ...moved })),
      ...lines.map((each) => ({ ...each, ...moved })),
      ...packages.map((each) => ({ ...each, ...moved })),
      ...overridesWithout(job, sectionId, section.parentId),
    ];
    const about = [...job.adjustment.values(), ...job.yardstick.values()].filter(
      ({ on }) => on.what === 'section' && on.sectionId === sectionId,
    );
    return sequence(put(...held), remove(...about.map(({ id }) => id), sectionId))(job);
  };

/** Lines that were moved into a section go up with it, or back under what was measured. */
function overridesWithout(
  job: Job,
  sectionId: Id<'section'>,
  parentId: Id<'section'> | null,
): readonly Override[] {
  return [...job.override.values()]
    .filter((each) => each.sectionId === sectionId)
    .map(({ sectionId: _gone, ...each }) => (parentId === null ? each : { ...each, sectionId: parentId }));
}

/** An alternate goes; what it held goes with what it added, and what it dropped is in the base again. */
export const removeAlternate =
  (alternateId: Id<'alternate'>): Command =>
  (job) => {
    const isIn = (each: { readonly alternate?: PlaceInAlternate | undefined }): boolean =>
      each.alternate?.id === alternateId;
    const free = <Record extends { readonly alternate?: PlaceInAlternate | undefined }>(record: Record) => {
      const { alternate: _gone, ...kept } = record;
      return kept as Record;
    };
    const kept = [job.line, job.scope, job.override, job.package].flatMap((table) =>
      [...(table.values() as Iterable<Line | Scope | Override | Package>)].filter(isIn).map(free),
    );
    return sequence(put(...kept), remove(alternateId))(job);
  };

/** A package goes with the quotes that came in for it. */
export const removePackage =
  (packageId: Id<'package'>): Command =>
  (job) => {
    const quotes = [...job.quote.values()].filter((quote) => quote.packageId === packageId);
    return remove(...quotes.map(({ id }) => id), packageId)(job);
  };

/** A quote that was taken leaves its package without one. */
export const removeQuote =
  (quoteId: Id<'quote'>): Command =>
  (job) => {
    const of = [...job.package.values()].filter(({ takenId }) => takenId === quoteId);
    return sequence(put(...of.map((each) => ({ ...each, takenId: null }))), remove(quoteId))(job);
  };

/** A region goes; a job that was in it is in none. */
export const removeRegion =
  (regionId: Id<'region'>): Command =>
  (job) => {
    const settings = [...job.settings.values()]
      .filter((each) => each.regionId === regionId)
      .map(({ regionId: _gone, ...each }) => each);
    return sequence(put(...settings), remove(regionId))(job);
  };

/** A crew that items, lines or components still use stays. */
export const removeCrew =
  (crewId: Id<'crew'>): Command =>
  (job) => {
    const components = [...job.assembly.values()].flatMap((assembly) => assembly.components);
    const count = [
      ...[...job.item.values(), ...job.line.values(), ...job.override.values()].filter(
        (each) => each.crewId === crewId,
      ),
      ...components.filter(({ labor }) => labor?.crewId === crewId),
    ].length;
    const name = findRecord(job, crewId)?.name ?? '';
    return count > 0 ? refuse({ kind: 'crew-in-use', name, count }) : remove(crewId)(job);
  };

/** A craft that items or crews still use stays. */
export const removeCraft =
  (craftId: Id<'craft'>): Command =>
  (job) => {
    const count =
      [...job.item.values(), ...job.line.values(), ...job.override.values()].filter(
        (each) => each.craftId === craftId,
      ).length +
      [...job.crew.values()].filter(({ members }) => members.some((each) => each.craftId === craftId)).length;
    const name = findRecord(job, craftId)?.name ?? '';
    if (count > 0) return refuse({ kind: 'craft-in-use', name, count });
    return remove(craftId)(job);
  };

import { useCallback, useMemo } from 'react';
import { put } from '@zest/core/job/change';
import type { Command } from '@zest/core/job/change';
import { orderAfter, settingsOf } from '@zest/core/job/job';
import type { Id } from '@zest/core/job/id';
import type { Scope } from '@zest/core/job/records/scope';
import { applyFromLibrary, findAssemblies, tradeLibrary } from '@zest/core/library/tradeLibrary';
import { namedOption } from '../../parts/namedOption.tsx';
import { SearchChoice, type SearchOption } from '../../parts/SearchChoice.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import { ownFitting } from './ownFitting.ts';
import { t } from '../../messages/t.ts';
import { KIND_WORDS } from '../../messages/words.ts';
import { sayLibrary } from '../../messages/libraryText.ts';

const LIMIT = 14;

/** Applies an assembly to the scope: one of the job's own, or one of the trade library. */
export function AssemblyChoice({ scope }: { readonly scope: Scope }) {
  const { job } = useOpenJob();
  const actions = useJobActions();
  const { makeId } = useServices();
  const { unitSystem, documentLanguage } = settingsOf(job);
  const library = useMemo(
    () => tradeLibrary(unitSystem, sayLibrary(documentLanguage)),
    [unitSystem, documentLanguage],
  );
  const find = useCallback(
    (text: string): readonly SearchOption[] => {
      const own = ownFitting(job, scope.kind, text);
      const names = new Set([...job.assembly.values()].map(({ name }) => name));
      const shipped = findAssemblies(library, scope.kind, text).filter(({ name }) => !names.has(name));
      return [
        ...own.map(({ id, name }) => namedOption(id, name, t('measure.inThisJob'))),
        ...shipped.map(({ name, trade }) => namedOption(`library ${name}`, name, trade)),
      ].slice(0, LIMIT);
    },
    [job, scope, library],
  );
  const commandFor = (id: string): readonly [name: string, command: Command] | undefined => {
    const shipped = library.find(({ name }) => id === `library ${name}`);
    if (shipped !== undefined) return [shipped.name, applyFromLibrary(shipped, [scope.id], makeId)];
    const assembly = job.assembly.get(id as Id<'assembly'>);
    if (assembly === undefined) return undefined;
    const uses = [...job.use.values()].filter((use) => use.scopeId === scope.id);
    return [
      assembly.name,
      put({
        type: 'use',
        id: makeId('use'),
        scopeId: scope.id,
        assemblyId: assembly.id,
        order: orderAfter(uses),
        answers: {},
      }),
    ];
  };
  const apply = (id: string): void => {
    const chosen = commandFor(id);
    if (chosen === undefined) return;
    const done = actions.transact(t('measure.apply', { chosen: chosen[0] }), chosen[1]);
    if (!done.ok) tellProblem(describeProblem(done.problem));
  };
  return (
    <SearchChoice
      label={t('measure.applyAnAssembly')}
      listLabel={t('measure.assembliesFor', { kindwords: KIND_WORDS[scope.kind].many })}
      placeholder={t('measure.assemblyFindByNameOrTrade')}
      value=""
      width={272}
      side="left"
      find={find}
      nothing={t('measure.noMatchingAssembliesFor', { kindwords: KIND_WORDS[scope.kind].many })}
      onChoose={apply}
    />
  );
}

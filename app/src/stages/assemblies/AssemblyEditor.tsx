import { MARK_KINDS } from '@zest/core/job/markKinds';
import { useSettle } from '../../stores/useSettle.ts';
import { KIND_WORDS } from '../../messages/words.ts';
import { type Dispatch, type KeyboardEvent, type SetStateAction, useEffect, useRef, useState } from 'react';
import { frameOf } from '@zest/core/assemblies/frames';
import type { FormulaPlace } from '@zest/core/calculate/explain/suggestions';
import { put, update, sequence } from '@zest/core/job/change';
import { followKey } from '@zest/core/job/commands/uses';
import { type Assembly } from '@zest/core/job/records/assembly';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { useOpenJob } from '../../stores/context.tsx';
import { AssemblyComponents } from './AssemblyComponents.tsx';
import { AssemblyInputs } from './AssemblyInputs.tsx';
import { AssemblyTexts } from './AssemblyTexts.tsx';
import { InnerAssemblies } from './InnerAssemblies.tsx';
import { type ChangeAssembly } from './assemblyParts.ts';
import { UseAnswers } from './UseAnswers.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import type { Use } from '@zest/core/job/records/use';

/** Ctrl Enter anywhere in the editor begins the next component. */
function addByKey(event: KeyboardEvent<HTMLElement>): void {
  if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return;
  event.preventDefault();
  event.stopPropagation();
  const button = event.currentTarget.querySelector<HTMLElement>('[data-add-component]');
  // What is being typed is taken first: leaving the field does that, and the next change builds on it.
  (document.activeElement as HTMLElement | null)?.blur();
  setTimeout(() => button?.click());
}

interface AssemblyEditorProps {
  readonly assembly: Assembly;
  /** Just made: it is named first. */
  readonly fresh: boolean;
}

/** An assembly with its questions and components, figured live on a scope that uses it. */
export function AssemblyEditor({ assembly, fresh }: AssemblyEditorProps) {
  const root = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (fresh) root.current?.querySelector('input')?.focus();
  }, [fresh]);
  const { job } = useOpenJob();
  const settle = useSettle();
  const scopes = job.scope;
  // Tried first on what stands first in the tally, whatever order the records came in.
  const uses = [...job.use.values()]
    .filter((use) => use.assemblyId === assembly.id)
    .sort(
      (a, b) =>
        (scopes.get(a.scopeId)?.order ?? 0) - (scopes.get(b.scopeId)?.order ?? 0) || a.order - b.order,
    );
  const [chosen, setChosen] = useState<string | undefined>();
  const use = uses.find(({ id }) => id === chosen) ?? uses[0];
  const place: FormulaPlace =
    use === undefined ? { in: 'assembly', assembly } : { in: 'use', frame: frameOf(job, use) };
  const change: ChangeAssembly = (label, changed, renamed) => {
    const follow = renamed === undefined ? [] : followKey(job, assembly.id, renamed.from, renamed.to);
    return settle(
      label,
      sequence(
        update(assembly, (now) => ({ ...now, ...changed })),
        put(...follow),
      ),
    );
  };
  return (
    <div className={styles.editor} ref={root} onKeyDownCapture={addByKey}>
      <AssemblyHead assembly={assembly} change={change} uses={uses} />
      <div>
        <h2>
          {t('assemblies.components')}
          <span className="soft" style={{ fontWeight: 400 }}>
            {use === undefined ? t('assemblies.notUsedYet') : t('assemblies.calculatedWith')}
          </span>
          <UseChoice use={use} setChosen={setChosen} uses={uses} />
        </h2>
        <AssemblyComponents assembly={assembly} use={use} change={change} />
      </div>
      <div>
        <h2>{t('assemblies.questions')}</h2>
        <AssemblyInputs assembly={assembly} change={change} />
      </div>
      <div>
        <h2>{t('assemblies.assembliesInside')}</h2>
        <InnerAssemblies assembly={assembly} use={use} place={place} change={change} />
      </div>
      <div>
        <h2>{t('assemblies.noteAndWarnings')}</h2>
        <AssemblyTexts assembly={assembly} use={use} place={place} change={change} />
      </div>
      <AnswersFor use={use} />
    </div>
  );
}

interface AnswersForProps {
  readonly use: Use | undefined;
}

function AnswersFor({ use }: AnswersForProps) {
  const { job } = useOpenJob();
  return use === undefined ? null : (
    <div>
      <h2>{t('assemblies.answersFor', { name: job.scope.get(use.scopeId)?.name ?? '' })}</h2>
      <div style={{ maxWidth: 420 }}>
        <UseAnswers use={use} />
      </div>
    </div>
  );
}

interface UseChoiceProps {
  readonly use: Use | undefined;
  readonly setChosen: Dispatch<SetStateAction<string | undefined>>;
  readonly uses: Use[];
}

function UseChoice({ use, setChosen, uses }: UseChoiceProps) {
  const { job } = useOpenJob();
  return use === undefined ? null : (
    <Select
      style={{ width: 'auto', maxWidth: 260 }}
      aria-label={t('assemblies.figuredOn')}
      value={use.id}
      onChange={(event) => setChosen(event.target.value)}
    >
      {uses.map(({ id, scopeId }) => (
        <option key={id} value={id}>
          {job.scope.get(scopeId)?.name}
        </option>
      ))}
    </Select>
  );
}

interface AssemblyHeadProps {
  readonly assembly: Assembly;
  readonly change: ChangeAssembly;
  readonly uses: Use[];
}

function AssemblyHead({ assembly, change, uses }: AssemblyHeadProps) {
  return (
    <div className={styles.assemblyHead}>
      <CommitInput
        label={t('assemblies.nameOfTheAssembly')}
        value={assembly.name}
        onCommit={(name) => change(t('assemblies.renameAnAssembly'), { name })}
      />
      <Select
        aria-label={t('assemblies.measuredAs')}
        value={assembly.measures}
        disabled={uses.length > 0}
        onChange={(event) =>
          change(t('assemblies.kindOfAnAssembly'), { measures: event.target.value as Assembly['measures'] })
        }
      >
        {MARK_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {KIND_WORDS[kind].forMany}
          </option>
        ))}
      </Select>
      <CommitInput
        label={t('assemblies.folder')}
        placeholder={t('assemblies.folder2')}
        value={assembly.folder ?? ''}
        onCommit={(folder) => change(t('assemblies.fileAnAssembly'), { folder: folder.trim() })}
      />
      <CommitInput
        label={t('assemblies.searchWords')}
        placeholder={t('assemblies.alsoFoundByTheseWords')}
        value={assembly.tags ?? ''}
        onCommit={(tags) => change(t('assemblies.changeTheWordsOfAnAssembly'), { tags: tags.trim() })}
      />
    </div>
  );
}

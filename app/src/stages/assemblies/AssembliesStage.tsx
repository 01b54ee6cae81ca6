import { Button } from '@chakra-ui/react';
import { Archive, Copy, Trash2 } from 'lucide-react';
import { type Dispatch, type SetStateAction, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { put } from '@zest/core/job/change';
import { removeAssembly } from '@zest/core/job/commands/removeWith';
import type { Id } from '@zest/core/job/id';
import { inOrder, orderAfter } from '@zest/core/job/job';
import type { Assembly } from '@zest/core/job/records/assembly';
import { type Kept, keepOnShelf, versionsOf } from '@zest/core/library/shelf';
import { tellProblem } from '../../parts/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { KIND_WORDS } from '../../messages/words.ts';
import { useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import { ApplyDialog } from './ApplyDialog.tsx';
import { AssemblyEditor } from './AssemblyEditor.tsx';
import { AssemblyTabs } from './AssemblyTabs.tsx';
import { FolderList } from '../../parts/FolderList.tsx';
import { LaterVersion, laterVersion } from './LaterVersion.tsx';
import { type ChangeShelf, useShelf } from './useShelf.ts';
import { TextInput } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import { Empty } from '../../parts/Empty.tsx';

/** The assemblies of the job: the rules that turn one measured unit into components. */
export function AssembliesStage() {
  const { assemblyId = '' } = useParams();
  const { job, jobId } = useOpenJob();
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const [applying, setApplying] = useState(false);
  const [fresh, setFresh] = useState('');
  const all = inOrder(job.assembly.values());
  const found = all.filter(matching(text));
  const assembly =
    job.assembly.get(assemblyId as Id<'assembly'>) ??
    found.find(({ folder = '' }) => folder === '') ??
    found[0];
  /** At once, or what is typed next would go to the assembly that was shown before. */
  const go = (id: string): void =>
    void navigate(`/job/${jobId}/assemblies/${encodeURIComponent(id)}`, { flushSync: true });
  const [shelf, changeShelf] = useShelf();
  const later = assembly === undefined ? undefined : laterVersion(shelf, assembly);
  const add = useAddAssembly((id) => {
    // The page must know of it before it goes there, or it shows another one to be typed into.
    go(id);
    setFresh(id);
  });
  return (
    <div className={layout.stage}>
      <div className={`${layout.bar} wraps`}>
        <AssemblyTabs />
        <TextInput
          style={{ width: 150 }}
          aria-label={t('assemblies.searchAssemblies')}
          placeholder={t('assemblies.search')}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <span className="grow" />
        {assembly === undefined ? null : (
          <AssemblyActions
            assembly={assembly}
            changeShelf={changeShelf}
            onAdd={add}
            onApply={() => setApplying(true)}
          />
        )}
        <Button size="sm" onClick={() => add(BLANK(), t('assemblies.newAssembly2'))}>
          {t('assemblies.newAssembly')}
        </Button>
      </div>
      <div className={styles.assembly}>
        <AssemblyFolders found={found} assembly={assembly} all={all} go={go} />
        <ChosenAssembly
          assembly={assembly}
          later={later}
          fresh={fresh}
          applying={applying}
          setApplying={setApplying}
        />
      </div>
    </div>
  );
}

interface ChosenAssemblyProps {
  readonly assembly: Assembly | undefined;
  readonly later: Kept | undefined;
  readonly fresh: string;
  readonly applying: boolean;
  readonly setApplying: Dispatch<SetStateAction<boolean>>;
}

function ChosenAssembly({ assembly, later, fresh, applying, setApplying }: ChosenAssemblyProps) {
  return assembly === undefined ? (
    <Empty title={t('assemblies.noAssemblyChosen')}>{t('assemblies.anAssemblyAsksAFewQuestionsThen')}</Empty>
  ) : (
    <div className={styles.editorColumn}>
      {later === undefined ? null : <LaterVersion assembly={assembly} kept={later} />}
      <AssemblyEditor key={assembly.id} assembly={assembly} fresh={assembly.id === fresh} />
      {applying ? <ApplyDialog assembly={assembly} onClose={() => setApplying(false)} /> : null}
    </div>
  );
}

interface AssemblyFoldersProps {
  readonly found: Assembly[];
  readonly assembly: Assembly | undefined;
  readonly all: readonly Assembly[];
  readonly go: (id: string) => void;
}

function AssemblyFolders({ found, assembly, all, go }: AssemblyFoldersProps) {
  const { job } = useOpenJob();
  const usesOf = (id: string): number => [...job.use.values()].filter((use) => use.assemblyId === id).length;
  return (
    <FolderList
      label={t('assemblies.assemblies')}
      items={found.map((each) => ({
        key: each.id,
        name: each.name,
        folder: each.folder ?? '',
        about: `${KIND_WORDS[each.measures].forMany}, ${t('count.component', { count: each.components.length })}${
          usesOf(each.id) > 0
            ? t('assemblies.on', { scopes: t('count.scope', { count: usesOf(each.id) }) })
            : ''
        }`,
      }))}
      current={assembly?.id}
      nothing={all.length === 0 ? t('assemblies.noAssembliesYet') : t('assemblies.noMatches')}
      onChoose={go}
    />
  );
}

/** Holds every word of the text, wherever it stands. */
function matching(text: string): (assembly: Assembly) => boolean {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  return ({ name, description, folder = '', tags = '' }) =>
    words.every((word) => `${name} ${folder} ${tags} ${description}`.toLowerCase().includes(word));
}

type Content = Omit<Assembly, 'id' | 'order' | 'type'>;
type AddAssembly = (content: Content, label: string) => void;

const BLANK = (): Content => ({
  name: t('assemblies.newAssembly'),
  description: '',
  measures: 'run',
  inputs: [],
  components: [],
});

/** Adds an assembly as one step, and tells which it is once it is there. */
function useAddAssembly(onAdded: (id: string) => void): AddAssembly {
  const { job } = useOpenJob();
  const actions = useJobActions();
  const { makeId } = useServices();
  return (content, label) => {
    const order = orderAfter(job.assembly.values());
    const made: Assembly = { ...content, type: 'assembly', id: makeId('assembly'), order };
    const done = actions.transact(label, put(made));
    if (done.ok) onAdded(made.id);
    else tellProblem(describeProblem(done.problem));
  };
}

interface AssemblyActionsProps {
  readonly assembly: Assembly;
  readonly changeShelf: ChangeShelf;
  readonly onAdd: AddAssembly;
  readonly onApply: () => void;
}

/** What is done with the assembly that is shown. */
function AssemblyActions({ assembly, changeShelf, onAdd, onApply }: AssemblyActionsProps) {
  const { job } = useOpenJob();
  const actions = useJobActions();
  const keep = ({ id, name, origin }: Assembly): void =>
    changeShelf(
      (kept) => keepOnShelf(kept, job, id),
      (kept) => {
        const [latest] = versionsOf(kept, origin?.key ?? name);
        return t('assemblies.isInTheLibraryAsVersion', { name, version: latest?.version ?? 1 });
      },
    );
  return (
    <>
      <Button size="sm" variant="outline" onClick={() => onApply()}>
        {t('assemblies.applyToScopes')}
      </Button>
      <Button
        size="sm"
        variant="outline"
        onClick={() => keep(assembly)}
        title={t('assemblies.saveThisVersionToTheLibraryFor')}
      >
        <Archive size={14} /> {t('assemblies.keep')}
      </Button>
      <Button
        size="sm"
        variant="outline"
        onClick={() =>
          onAdd(
            { ...assembly, name: t('assemblies.copyOf', { name: assembly.name.slice(0, 190) }) },
            t('assemblies.duplicate', { name: assembly.name }),
          )
        }
      >
        <Copy size={14} /> {t('assemblies.duplicate2')}
      </Button>
      <Button
        size="sm"
        variant="outline"
        onClick={() => {
          const done = actions.transact(
            t('assemblies.delete', { name: assembly.name }),
            removeAssembly(assembly.id),
          );
          if (!done.ok) tellProblem(describeProblem(done.problem));
        }}
      >
        <Trash2 size={14} /> {t('assemblies.delete2')}
      </Button>
    </>
  );
}

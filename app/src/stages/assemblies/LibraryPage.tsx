import { Button } from '@chakra-ui/react';
import { FileUp, Star } from 'lucide-react';
import { type Dispatch, type SetStateAction, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { isForeign } from '@zest/core/formats/assemblies/plan';
import { settingsOf } from '@zest/core/job/job';
import {
  type Shelf,
  latestOf,
  mainOf,
  removeFromShelf,
  shelvePack,
  takeFromShelf,
  toggleFavorite,
  versionsOf,
} from '@zest/core/library/shelf';
import { type Content } from '@zest/core/library/build';
import { takeFromLibrary, tradeLibrary } from '@zest/core/library/tradeLibrary';
import { tell, tellProblem } from '../../parts/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { KIND_WORDS } from '../../messages/words.ts';
import { useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import { AssemblyTabs } from './AssemblyTabs.tsx';
import { FolderList } from '../../parts/FolderList.tsx';
import { readAssemblyFile } from './assemblyFiles.ts';
import { type ChangeShelf, useShelf } from './useShelf.ts';
import { TextButton } from '../../parts/buttons.tsx';
import { FileInput } from '../../parts/FileInput.tsx';
import { TextInput } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import { sayLibrary } from '../../messages/libraryText.ts';
import { Empty } from '../../parts/Empty.tsx';
import { type Offer, OfferView } from './OfferView.tsx';

/** Assemblies for every job: the trade library, and what was kept from jobs or read from files. */
export function LibraryPage() {
  const { makeId } = useServices();
  const [shelf, changeShelf] = useShelf();
  const [text, setText] = useState('');
  const [onlyFavorites, setOnlyFavorites] = useState(false);
  const [chosen, setChosen] = useState<string | undefined>();
  const [notes, setNotes] = useState<readonly string[]>([]);
  const offers = useOffers(shelf);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = offers.filter(
    (offer) =>
      words.every((word) => offer.words.includes(word)) &&
      (!onlyFavorites || shelf.favorites.includes(offer.key)),
  );
  const offer = found.find(({ key }) => key === chosen) ?? found[0];
  const take = useTake();
  const readFile = useReadAssemblies(changeShelf, setNotes);
  return (
    <div className={layout.stage}>
      <div className={layout.bar}>
        <AssemblyTabs />
        <SearchOffers
          text={text}
          setText={setText}
          onlyFavorites={onlyFavorites}
          setOnlyFavorites={setOnlyFavorites}
        />
        <span className="grow" />
        <ReadFile onFile={readFile} />
      </div>
      <ReadNotes notes={notes} setNotes={setNotes} />
      <div className={styles.assembly}>
        <OfferList
          found={found}
          shelf={shelf}
          offer={offer}
          onlyFavorites={onlyFavorites}
          setChosen={setChosen}
        />
        {offer === undefined ? (
          <Empty title={t('assemblies.nothingChosen')}>{t('assemblies.chooseAnAssemblyOnTheLeftTo')}</Empty>
        ) : (
          <OfferView
            key={offer.key}
            offer={offer}
            favorite={shelf.favorites.includes(offer.key)}
            onFavorite={() => changeShelf((kept) => toggleFavorite(kept, offer.key))}
            onTake={() => take(offer)}
            onRemove={() => changeShelf((kept) => removeFromShelf(kept, offer.key))}
            versions={versionsOf(shelf, offer.key)}
            onVersion={(kept) =>
              take({ ...offer, take: () => takeFromShelf(kept, makeId), currency: kept.currency })
            }
          />
        )}
      </div>
    </div>
  );
}

interface OfferListProps {
  readonly found: Offer[];
  readonly shelf: Shelf;
  readonly offer: Offer | undefined;
  readonly onlyFavorites: boolean;
  readonly setChosen: Dispatch<SetStateAction<string | undefined>>;
}

function OfferList({ found, shelf, offer, onlyFavorites, setChosen }: OfferListProps) {
  return (
    <FolderList
      label={t('assemblies.library')}
      items={found.map(({ key, name, folder, content, kept }) => ({
        key,
        name: shelf.favorites.includes(key) ? `★ ${name}` : name,
        folder,
        about: `${KIND_WORDS[content.measures].forMany}, ${t('count.component', { count: content.components.length })}${
          kept === undefined ? '' : t('assemblies.version', { version: kept.version })
        }`,
      }))}
      current={offer?.key}
      nothing={
        onlyFavorites ? t('assemblies.noFavoritesYetStarTheOnesYou') : t('assemblies.noMatchesInTheLibrary')
      }
      onChoose={setChosen}
    />
  );
}

/** What can be taken: what was kept on this machine, and what ships where nothing of that name was kept. */
function useOffers(shelf: Shelf): readonly Offer[] {
  const { job } = useOpenJob();
  const { makeId } = useServices();
  const { unitSystem, documentLanguage } = settingsOf(job);
  const shipped = useMemo(
    () => tradeLibrary(unitSystem, sayLibrary(documentLanguage)),
    [unitSystem, documentLanguage],
  );
  return useMemo((): readonly Offer[] => {
    const own = latestOf(shelf).map((kept): Offer => {
      const content = mainOf(kept);
      const folder = content.folder ?? '';
      return {
        key: kept.key,
        name: content.name,
        folder: folder === '' ? t('assemblies.kept') : folder,
        content,
        kept,
        words: wordsOf(content, folder),
        take: () => takeFromShelf(kept, makeId),
        currency: kept.currency,
      };
    });
    const kept = new Set(own.map(({ key }) => key));
    const others = shipped
      .filter(({ name }) => !kept.has(name))
      .map((assembly): Offer => ({
        key: assembly.name,
        name: assembly.name,
        folder: assembly.trade,
        content: assembly,
        kept: undefined,
        words: wordsOf(assembly, assembly.trade),
        take: (id) => takeFromLibrary(assembly, id, makeId),
      }));
    return [...own, ...others];
  }, [shelf, shipped, makeId]);
}

/** Takes an assembly into the job, and goes there. */
function useTake(): (which: Offer) => void {
  const { job, jobId } = useOpenJob();
  const { makeId } = useServices();
  const actions = useJobActions();
  const navigate = useNavigate();
  return (which) => {
    const id = makeId('assembly');
    const before = new Set(job.assembly.keys());
    const done = actions.transact(t('assemblies.takeIntoTheJob', { name: which.name }), which.take(id));
    if (!done.ok) {
      tellProblem(describeProblem(done.problem));
      return;
    }
    const taken = done.value.added.find((record) => record.type === 'assembly' && !before.has(record.id));
    if (isForeign(which.currency, job))
      tell(t('assemblies.thePricesInAreInSoThey', { name: which.name, currency: which.currency ?? '' }));
    void navigate(`/job/${jobId}/assemblies/${encodeURIComponent(taken?.id ?? id)}`);
  };
}

/** Reads a file of assemblies onto the shelf, and says what was read and what was not. */
function useReadAssemblies(changeShelf: ChangeShelf, setNotes: (notes: readonly string[]) => void) {
  const { makeId } = useServices();
  return async (file: File, stop: AbortSignal): Promise<void> => {
    const read = await readAssemblyFile(file, makeId, stop);
    if (typeof read === 'string') {
      setNotes([read]);
      return;
    }
    changeShelf((kept) => shelvePack(kept, read));
    const count = read.records.filter(({ type }) => type === 'assembly').length;
    setNotes([
      t('assemblies.readFrom', { assemblies: t('count.assembly', { count: count }), name: file.name }),
      ...read.notes,
    ]);
  };
}

interface ReadNotesProps {
  readonly notes: readonly string[];
  readonly setNotes: Dispatch<SetStateAction<readonly string[]>>;
}

function ReadNotes({ notes, setNotes }: ReadNotesProps) {
  return notes.length === 0 ? null : (
    <ul className={layout.importNotes} role="status">
      {notes.map((note, index) => (
        <li key={index}>{note}</li>
      ))}
      <li>
        <TextButton onClick={() => setNotes([])}>{t('assemblies.dismiss')}</TextButton>
      </li>
    </ul>
  );
}

interface SearchOffersProps {
  readonly text: string;
  readonly setText: Dispatch<SetStateAction<string>>;
  readonly onlyFavorites: boolean;
  readonly setOnlyFavorites: Dispatch<SetStateAction<boolean>>;
}

function SearchOffers({ text, setText, onlyFavorites, setOnlyFavorites }: SearchOffersProps) {
  return (
    <>
      <TextInput
        style={{ width: 200 }}
        aria-label={t('assemblies.searchTheLibrary')}
        placeholder={t('assemblies.searchByNameTradeWord')}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Button
        size="sm"
        variant={onlyFavorites ? 'solid' : 'outline'}
        aria-pressed={onlyFavorites}
        onClick={() => setOnlyFavorites(!onlyFavorites)}
      >
        <Star size={14} /> {t('assemblies.favorites')}
      </Button>
    </>
  );
}

const wordsOf = ({ name, description, tags = '' }: Content, folder: string): string =>
  `${name} ${folder} ${tags} ${description}`.toLowerCase();

interface ReadFileProps {
  readonly onFile: (file: File, stop: AbortSignal) => Promise<void>;
}

/** Chooses a file and has it read; while that goes on it can be stopped. */
function ReadFile({ onFile }: ReadFileProps) {
  const field = useRef<HTMLInputElement>(null);
  const [reading, setReading] = useState<AbortController | undefined>();
  useEffect(() => () => reading?.abort(), [reading]);
  const read = async (file: File): Promise<void> => {
    const stop = new AbortController();
    setReading(stop);
    await onFile(file, stop.signal);
    setReading(undefined);
  };
  if (reading !== undefined)
    return (
      <Button size="sm" variant="outline" onClick={() => reading.abort()}>
        {t('assemblies.readingCancel')}
      </Button>
    );
  return (
    <>
      <Button size="sm" variant="outline" onClick={() => field.current?.click()}>
        <FileUp size={14} /> {t('assemblies.readAFile')}
      </Button>
      <FileInput
        ref={field}
        target="assemblies"
        label={t('assemblies.assembliesToReadJsonOrXlsx')}
        onFile={(file) => void read(file)}
      />
    </>
  );
}

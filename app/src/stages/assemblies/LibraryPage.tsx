import { Button } from '@chakra-ui/react';
import { FileDown, FileUp, Plus, Star, Trash2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Command } from '@zest/core/job/change';
import { isForeign, packAssemblies, writePack } from '@zest/core/formats/assemblies/pack';
import type { Id } from '@zest/core/job/id';
import { createJob, settingsOf } from '@zest/core/job/job';
import type { Assembly } from '@zest/core/job/records/assembly';
import {
  type Kept,
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
import { tell, tellProblem } from '../../components/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { COST_WORDS, KIND_WORDS } from '../../messages/words.ts';
import { useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import { AssemblyTabs } from './AssemblyTabs.tsx';
import { FolderList } from './FolderList.tsx';
import { readAssemblyFile, writeAssemblyWorkbook } from './assemblyFiles.ts';
import { type ChangeShelf, useShelf } from './useShelf.ts';
import { TextButton } from '../../parts/buttons.tsx';
import { FileInput } from '../../parts/FileInput.tsx';
import { TextInput } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import { sayLibrary } from '../../messages/libraryText.ts';
import type { Dispatch, SetStateAction } from 'react';
import type { Shelf } from '@zest/core/library/shelf';
import { Empty } from '../../parts/Empty.tsx';

/** An assembly on offer: one that ships, or one that was kept. */
interface Offer {
  readonly key: string;
  readonly name: string;
  readonly folder: string;
  readonly content: Content;
  readonly kept: Kept | undefined;
  readonly words: string;
  readonly take: (id: Id<'assembly'>) => Command;
  /** What its prices are in, where that is known. */
  readonly currency?: string | undefined;
}

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

interface OfferViewProps {
  readonly offer: Offer;
  readonly favorite: boolean;
  readonly versions: readonly Kept[];
  readonly onFavorite: () => void;
  readonly onTake: () => void;
  readonly onRemove: () => void;
  readonly onVersion: (kept: Kept) => void;
}

function OfferView({ offer, favorite, versions, onFavorite, onTake, onRemove, onVersion }: OfferViewProps) {
  const { makeId, download } = useServices();
  const { job } = useOpenJob();
  const { content, name } = offer;
  // As a job of its own, so that a shipped assembly leaves in the same form as a kept one.
  const alone = (): { readonly records: ReturnType<typeof packAssemblies>; readonly main: Assembly } => {
    const id = makeId('assembly');
    const empty = createJob([]);
    const diff = offer.take(id)(empty);
    const records = createJob(diff.ok ? diff.value.added : []);
    const main = records.assembly.get(id) ?? [...records.assembly.values()].at(-1);
    if (main === undefined) throw new Error(`alone: ${name} has no assembly`);
    return { records: packAssemblies(records, [main.id]), main };
  };
  const fileName = name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase();
  const inJob = [...job.assembly.values()].some((each) => each.name === name);
  return (
    <div className={styles.editor}>
      <OfferHead name={name} content={content} favorite={favorite} onFavorite={onFavorite} onTake={onTake} />
      {inJob ? <p className="soft">{t('assemblies.thisJobAlreadyHasOneWithThis')}</p> : null}
      <ContentTables content={content} />
      <div className={styles.offerFoot}>
        <Button
          size="xs"
          variant="outline"
          onClick={() =>
            download(
              `${fileName}.assemblies.json`,
              new Blob([writePack({ records: alone().records, currency: offer.currency })], {
                type: 'application/json',
              }),
            )
          }
        >
          <FileDown size={14} /> {t('assemblies.jSON')}
        </Button>
        <Button
          size="xs"
          variant="outline"
          onClick={() =>
            void writeAssemblyWorkbook([alone().main]).then((blob) => download(`${fileName}.xlsx`, blob))
          }
        >
          <FileDown size={14} /> {t('assemblies.spreadsheet')}
        </Button>
        {versions.slice(1).map((kept) => (
          <Button key={kept.version} size="xs" variant="ghost" onClick={() => onVersion(kept)}>
            {t('assemblies.takeVersion', { version: kept.version })}
          </Button>
        ))}
        <span className="grow" />
        {offer.kept === undefined ? null : (
          <Button size="xs" variant="ghost" onClick={onRemove}>
            <Trash2 size={14} /> {t('assemblies.removeFromTheLibrary')}
          </Button>
        )}
      </div>
    </div>
  );
}

interface OfferHeadProps {
  readonly name: string;
  readonly content: Content;
  readonly favorite: boolean;
  readonly onFavorite: () => void;
  readonly onTake: () => void;
}

function OfferHead({ name, content, favorite, onFavorite, onTake }: OfferHeadProps) {
  return (
    <div className={styles.offerHead}>
      <div>
        <h2>{name}</h2>
        <p className="soft">
          {content.description === '' ? KIND_WORDS[content.measures].forMany : content.description}
        </p>
      </div>
      <span className="grow" />
      <Button size="sm" variant="ghost" aria-pressed={favorite} onClick={onFavorite}>
        <Star size={14} fill={favorite ? 'currentColor' : 'none'} />{' '}
        {favorite ? t('assemblies.aFavorite') : t('assemblies.favorite')}
      </Button>
      <Button size="sm" onClick={onTake}>
        <Plus size={14} /> {t('assemblies.addToTheJob')}
      </Button>
    </div>
  );
}

/** What an assembly asks and what it brings, to be read before it is taken. */
function ContentTables({ content }: { readonly content: Content }) {
  return (
    <>
      <table className={layout.lines}>
        <thead>
          <tr>
            <th style={{ width: '30%' }}>{t('assemblies.component2')}</th>
            <th style={{ width: 92 }}>{t('assemblies.kind')}</th>
            <th>{t('assemblies.formula')}</th>
            <th style={{ width: 60 }}>{t('assemblies.unit')}</th>
            <th className="right" style={{ width: 70 }}>
              {t('assemblies.waste2')}
            </th>
          </tr>
        </thead>
        <tbody>
          {content.components.map(({ key, name, kind, formula, unit, wastePercent }) => (
            <tr key={key}>
              <td>{name}</td>
              <td>{COST_WORDS[kind]}</td>
              <td>
                <code>{formula}</code>
              </td>
              <td className="unit">{unit}</td>
              <td className="figure">{wastePercent === '0' ? '' : `${wastePercent} %`}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {content.inputs.length === 0 ? null : <Questions content={content} />}
      {content.note === undefined || content.note === '' ? null : (
        <p className={styles.note}>{content.note}</p>
      )}
    </>
  );
}

interface QuestionsProps {
  readonly content: Content;
}

function Questions({ content }: QuestionsProps) {
  return (
    <table className={layout.lines}>
      <thead>
        <tr>
          <th style={{ width: '46%' }}>{t('assemblies.question2')}</th>
          <th>{t('assemblies.usualAnswer')}</th>
          <th>{t('assemblies.nameInFormulas')}</th>
        </tr>
      </thead>
      <tbody>
        {content.inputs.map(({ key, question, value, unit, choices }) => (
          <tr key={key}>
            <td>{question}</td>
            <td>
              {choices.find((choice) => choice.value === value)?.label ?? (
                <>
                  {value} <span className="unit">{unit}</span>
                </>
              )}
            </td>
            <td>
              <code>{key}</code>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

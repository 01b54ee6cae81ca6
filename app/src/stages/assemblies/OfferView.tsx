import { plainToLocal } from '@zest/core/formula/localize';
import { Button } from '@chakra-ui/react';
import { FileDown, Plus, Star, Trash2 } from 'lucide-react';
import type { Command } from '@zest/core/job/change';
import { packAssemblies, writePack } from '@zest/core/formats/assemblies/write';
import type { Id, MakeId } from '@zest/core/job/id';
import { createJob } from '@zest/core/job/job';
import type { Assembly } from '@zest/core/job/records/assembly';
import { type Kept } from '@zest/core/library/shelf';
import { type Content } from '@zest/core/library/build';
import { COST_WORDS, KIND_WORDS } from '../../messages/words.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { writeAssemblyWorkbook } from './assemblyFiles.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

/** An assembly on offer: one that ships, or one that was kept. */
export interface Offer {
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

interface OfferViewProps {
  readonly offer: Offer;
  readonly favorite: boolean;
  readonly versions: readonly Kept[];
  readonly onFavorite: () => void;
  readonly onTake: () => void;
  readonly onRemove: () => void;
  readonly onVersion: (kept: Kept) => void;
}

export function OfferView({
  offer,
  favorite,
  versions,
  onFavorite,
  onTake,
  onRemove,
  onVersion,
}: OfferViewProps) {
  const { makeId, download } = useServices();
  const { job } = useOpenJob();
  const { content, name } = offer;
  const alone = () => packAlone(offer, makeId);
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

/** As a job of its own, so that a shipped assembly leaves in the same form as a kept one. */
function packAlone(
  { take, name }: Offer,
  makeId: MakeId,
): { readonly records: ReturnType<typeof packAssemblies>; readonly main: Assembly } {
  const id = makeId('assembly');
  const empty = createJob([]);
  const diff = take(id)(empty);
  const records = createJob(diff.ok ? diff.value.added : []);
  const main = records.assembly.get(id) ?? [...records.assembly.values()].at(-1);
  if (main === undefined) throw new Error(`alone: ${name} has no assembly`);
  return { records: packAssemblies(records, [main.id]), main };
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
  const { numbers } = useFormats();
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
                <code>{plainToLocal(formula, numbers)}</code>
              </td>
              <td className="unit">{unit}</td>
              <td className="figure">
                {wastePercent === '0' ? '' : `${plainToLocal(wastePercent, numbers)} %`}
              </td>
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
  const { numbers } = useFormats();
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
                  {plainToLocal(value, numbers)} <span className="unit">{unit}</span>
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

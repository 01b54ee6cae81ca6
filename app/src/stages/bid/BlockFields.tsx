import { settingsOf } from '@zest/core/job/job';
import { paragraphs } from '@zest/core/job/paragraphs';
import { BID_DETAILS, type BlockOf, type DocumentBlock } from '@zest/core/job/records/document';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { Refusal } from '../../parts/Refusal.tsx';
import { Select } from '../../parts/fields.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useOpenJob } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { BLOCK_WORDS, DETAIL_WORDS } from './blockWords.ts';
import { documentWords } from './documentWords.ts';
import { type TextProblem, usualHeading } from './printDocument.ts';
import { CaptionField } from './CaptionField.tsx';
import { SheetFields } from './SheetFields.tsx';
import { styles } from './styles.ts';
import { UnitPriceFields } from './UnitPriceFields.tsx';
import { useBlockSources } from './useBlockSources.ts';
import { LongText, TextChoice, joined } from './Wording.tsx';

interface BlockFieldsProps {
  readonly block: DocumentBlock;
  readonly problems: readonly TextProblem[];
  readonly onChange: (block: DocumentBlock) => string | undefined;
}

/** What can be chosen of a block. */
export function BlockFields({ block, problems, onChange }: BlockFieldsProps) {
  const name = BLOCK_WORDS[block.kind];
  const wrong = problems.filter(({ block: of }) => of === block.key).map(({ formula }) => `{${formula}}`);
  return (
    <fieldset className={styles.blockFields}>
      <legend>{name}</legend>
      {block.kind === 'break' || block.kind === 'letterhead' ? null : (
        <HeadingField block={block} onChange={onChange} />
      )}
      <OwnFields block={block} onChange={onChange} />
      {wrong.length === 0 ? null : <Refusal>{t('bid.noFigureIn', { formulas: wrong.join(', ') })}</Refusal>}
    </fieldset>
  );
}

interface FieldProps<Block extends DocumentBlock = DocumentBlock> {
  readonly block: Block;
  readonly onChange: BlockFieldsProps['onChange'];
}

const say = (refused: string | undefined): void => {
  if (refused !== undefined) tellProblem(refused);
};

/** Its heading: the usual one, another, or none. */
function HeadingField({ block, onChange }: FieldProps) {
  const { job } = useOpenJob();
  const usual = usualHeading(block.kind, documentWords(settingsOf(job)).t);
  return (
    <Labeled label={t('bid.heading')}>
      {() => (
        <CommitInput
          label={t('bid.heading')}
          placeholder={t('bid.noHeading')}
          value={block.heading ?? usual}
          onCommit={(heading) => onChange({ ...block, heading: heading.trim() })}
        />
      )}
    </Labeled>
  );
}

function OwnFields({ block, onChange }: FieldProps) {
  switch (block.kind) {
    case 'text':
    case 'terms':
      return <TextField block={block} onChange={onChange} />;
    case 'prices':
      return <PriceFields block={block} onChange={onChange} />;
    case 'unit-prices':
      return <UnitPriceFields block={block} onChange={onChange} />;
    case 'signatures':
      return (
        <div>
          <LongText
            label={t('bid.signers')}
            rows={3}
            value={block.names.join('\n')}
            onCommit={(text) => onChange({ ...block, names: paragraphs(text) })}
          />
          <p className="soft">{t('bid.signersHint')}</p>
        </div>
      );
    case 'picture':
      return <PictureFields block={block} onChange={onChange} />;
    case 'sheet':
      return <SheetFields block={block} onChange={onChange} />;
    case 'report':
      return <ReportField block={block} onChange={onChange} />;
    default:
      return <p className="soft">{t('bid.nothingToSet')}</p>;
  }
}

function TextField({ block, onChange }: FieldProps<BlockOf<'text'> | BlockOf<'terms'>>) {
  const { job } = useOpenJob();
  const unit = settingsOf(job).unitSystem === 'us' ? 'ft²' : 'm²';
  return (
    <div>
      <LongText
        label={t('bid.textOfBlock')}
        rows={7}
        value={block.text}
        onCommit={(text) => onChange({ ...block, text })}
      />
      <TextChoice
        of={block.kind}
        label={BLOCK_WORDS[block.kind]}
        onText={(text) => say(onChange({ ...block, text: joined(block.text, text) }))}
      />
      <p className="soft">{t('bid.textHint', { unit })}</p>
    </div>
  );
}

function PriceFields({ block, onChange }: FieldProps<BlockOf<'prices'>>) {
  const { tax: _tax, ...withoutTax } = block;
  const { markups: _markups, ...withoutMarkups } = block;
  return (
    <>
      <Labeled label={t('bid.theClientSees')}>
        {(control) => (
          <Select
            {...control}
            value={block.detail}
            onChange={({ target }) =>
              say(
                onChange({
                  ...block,
                  detail: BID_DETAILS.find((each) => each === target.value) ?? block.detail,
                }),
              )
            }
          >
            {BID_DETAILS.map((each) => (
              <option key={each} value={each}>
                {DETAIL_WORDS[each]}
              </option>
            ))}
          </Select>
        )}
      </Labeled>
      <Checkbox
        checked={block.markups === 'shown'}
        onChange={(on) => say(onChange(on ? { ...block, markups: 'shown' } : withoutMarkups))}
      >
        {t('bid.markupsShown')}
      </Checkbox>
      <Checkbox
        checked={block.tax === 'shown'}
        onChange={(on) => say(onChange(on ? { ...block, tax: 'shown' } : withoutTax))}
      >
        {t('bid.taxShown')}
      </Checkbox>
    </>
  );
}

const PictureFields = ({ block, onChange }: FieldProps<BlockOf<'picture'>>) => (
  <>
    <CaptionField block={block} onChange={onChange} />
    <Labeled label={t('bid.widthInPercent')}>
      {() => (
        <CommitInput
          label={t('bid.widthInPercent')}
          align="end"
          value={String(block.widthPercent)}
          onCommit={(text) => onChange({ ...block, widthPercent: Number(text) })}
        />
      )}
    </Labeled>
  </>
);

function ReportField({ block, onChange }: FieldProps<BlockOf<'report'>>) {
  const { reports } = useBlockSources();
  return (
    <Labeled label={t('bid.report')}>
      {(control) => (
        <Select
          {...control}
          value={block.report}
          onChange={({ target }) => say(onChange({ ...block, report: target.value }))}
        >
          {reports.map(({ key, name }) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </Select>
      )}
    </Labeled>
  );
}

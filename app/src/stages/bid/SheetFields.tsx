import type { Id } from '@zest/core/job/id';
import type { BlockOf, DocumentBlock } from '@zest/core/job/records/document';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { Select } from '../../parts/fields.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { t } from '../../messages/t.ts';
import { CaptionField } from './CaptionField.tsx';
import { styles } from './styles.ts';
import { useBlockSources, useScopesOn } from './useBlockSources.ts';

interface SheetFieldsProps {
  readonly block: BlockOf<'sheet'>;
  readonly onChange: (block: DocumentBlock) => string | undefined;
}

/** Which sheet a document shows, and which marks on it. */
export function SheetFields({ block, onChange }: SheetFieldsProps) {
  const { sheets } = useBlockSources();
  const change = (changed: Partial<BlockOf<'sheet'>>): void => {
    const refused = onChange({ ...block, ...changed });
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <>
      <Labeled label={t('bid.sheet')}>
        {(control) => (
          <Select
            {...control}
            value={block.sheetId}
            onChange={({ target }) => {
              const sheet = sheets.find(({ id }) => id === target.value);
              if (sheet !== undefined) change({ sheetId: sheet.id });
            }}
          >
            {sheets.map(({ id, number, title }) => (
              <option key={id} value={id}>
                {`${number} ${title}`.trim()}
              </option>
            ))}
          </Select>
        )}
      </Labeled>
      <CaptionField block={block} onChange={onChange} />
      <MarksChoice block={block} change={change} />
    </>
  );
}

interface MarksChoiceProps {
  readonly block: BlockOf<'sheet'>;
  readonly change: (changed: Partial<BlockOf<'sheet'>>) => void;
}

/** All marks, none, or those of some scopes. */
function MarksChoice({ block: { marks, sheetId }, change }: MarksChoiceProps) {
  const scopes = useScopesOn(sheetId);
  const mode = typeof marks === 'string' ? marks : 'some';
  const chosen: readonly string[] = typeof marks === 'string' ? [] : marks;
  return (
    <>
      <Labeled label={t('bid.marksOnIt')}>
        {(control) => (
          <Select
            {...control}
            value={mode}
            onChange={({ target }) =>
              change({
                marks: target.value === 'all' ? 'all' : target.value === 'none' ? 'none' : [],
              })
            }
          >
            <option value="all">{t('bid.allMarks')}</option>
            <option value="some">{t('bid.marksOf')}</option>
            <option value="none">{t('bid.noMarks')}</option>
          </Select>
        )}
      </Labeled>
      {mode !== 'some' ? null : (
        <div className={styles.choices}>
          {scopes.map(({ id, name }) => (
            <Checkbox
              key={id}
              checked={chosen.includes(id)}
              onChange={(on) =>
                change({
                  marks: (on ? [...chosen, id] : chosen.filter((each) => each !== id)) as Id<'scope'>[],
                })
              }
            >
              {name}
            </Checkbox>
          ))}
        </div>
      )}
    </>
  );
}

import { PRICE_COLUMNS, type PriceField, type PriceMapping } from '@zest/core/formats/prices/columns';
import { t } from '../../messages/t.ts';
import { TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { layout } from '../../theme/layout.ts';
import type { SheetHead } from '../../workers/pricesProtocol.ts';
import { styles } from './styles.ts';
import { type Opened, type PriceFile, columnsOf } from './usePriceFile.ts';
import { CountInput } from '../../parts/CountInput.tsx';

/** Which sheet, which row of headings, and what each column is. */
export function FileColumns({ file, opened }: { readonly file: PriceFile; readonly opened: Opened }) {
  const { columns, setColumns, close } = file;
  const { sheets } = opened;
  return (
    <>
      <div className={layout.barForm}>
        <b className="cut">{opened.name}</b>
        {sheets.length > 1 ? (
          <Select
            style={{ width: 'auto' }}
            aria-label={t('prices.sheetOfTheWorkbook')}
            value={columns.sheet}
            onChange={(event) => setColumns(columnsOf(sheets, Number(event.target.value)))}
          >
            {sheets.map(({ name }, at) => (
              <option key={at} value={at}>
                {name}
              </option>
            ))}
          </Select>
        ) : null}
        <label className="soft">
          {t('prices.headingsInRow')}{' '}
          <CountInput
            value={columns.headRow + 1}
            least={1}
            most={30}
            onCount={(row) => setColumns(columnsOf(sheets, columns.sheet, row - 1))}
          />
        </label>
        <TextButton onClick={close}>{t('prices.anotherFile')}</TextButton>
      </div>
      <Preview
        sheet={sheets[columns.sheet]}
        headRow={columns.headRow}
        mapping={columns.mapping}
        onMap={(mapping) => setColumns({ ...columns, mapping })}
      />
    </>
  );
}

const ROWS_SHOWN = 6;

interface PreviewProps {
  readonly sheet: SheetHead | undefined;
  readonly headRow: number;
  readonly mapping: PriceMapping;
  readonly onMap: (mapping: PriceMapping) => void;
}

/** The first rows, with what each column is above it. */
function Preview({ sheet, headRow, mapping, onMap }: PreviewProps) {
  if (sheet === undefined) return null;
  const fieldAt = new Map(Object.entries(mapping).map(([field, at]) => [at, field as PriceField]));
  const heads = sheet.first[headRow] ?? [];
  const columns = Array.from({ length: sheet.columns }, (_, at) => at);
  const map = (at: number, field: string): void => {
    const next: Partial<Record<PriceField, number>> = Object.fromEntries(
      Object.entries(mapping).filter(([each, column]) => column !== at && each !== field),
    );
    if (field !== '') next[field as PriceField] = at;
    onMap(next);
  };
  return (
    <div
      className={styles.importPreview}
      tabIndex={0}
      role="region"
      aria-label={t('prices.firstRowsOfTheFile')}
    >
      <table className={layout.tape}>
        <thead>
          <tr>
            {columns.map((at) => (
              <th key={at}>
                <Select
                  aria-label={t('prices.column', { place: at + 1, value: heads[at] ?? '' })}
                  value={fieldAt.get(at) ?? ''}
                  onChange={(event) => map(at, event.target.value)}
                >
                  <option value="">{t('prices.notTaken')}</option>
                  {PRICE_COLUMNS.map(({ field, title }) => (
                    <option key={field} value={field}>
                      {title}
                    </option>
                  ))}
                </Select>
                <div className="soft cut">{heads[at] ?? ''}</div>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sheet.first.slice(headRow + 1, headRow + 1 + ROWS_SHOWN).map((row, index) => (
            <tr key={index}>
              {columns.map((at) => (
                <td key={at} className={fieldAt.has(at) ? 'cut' : 'cut soft'}>
                  {row[at] ?? ''}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

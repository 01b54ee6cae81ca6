import { useMemo } from 'react';
import { plainWords } from '@zest/core/pricing/bookSearch';
import { formatMoney } from '@zest/core/pricing/money';
import type { ReportLine } from '@zest/core/reports/estimateReport';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import type { Formats } from '../../stores/context.tsx';
import { describeAlone } from './cells.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

interface LinePickerProps {
  readonly label: string;
  readonly lines: readonly ReportLine[];
  /** Words that a line must have, in any order. */
  readonly text: string;
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (keys: ReadonlySet<string>) => void;
  readonly formats: Formats;
}

/** Lines to choose some of, each with how much of it there is and what it comes to. */
export function LinePicker({ label, lines, text, chosen, onChoose, formats }: LinePickerProps) {
  const shown = useMemo(() => findLines(lines, text), [lines, text]);
  const toggle = (key: string): void => {
    const next = new Set(chosen);
    if (!next.delete(key)) next.add(key);
    onChoose(next);
  };
  return (
    <div className={styles.copyList} role="group" aria-label={label}>
      {shown.map((line) => (
        <Checkbox
          key={line.row.key}
          className={styles.copyRow}
          checked={chosen.has(line.row.key)}
          onChange={() => toggle(line.row.key)}
        >
          <span className="soft">{line.code}</span>
          <span className="cut" title={describeAlone(line)}>
            {describeAlone(line)}
          </span>
          <span className="soft right">{amountOf(line, formats)}</span>
          <span className="right">
            {line.extension === undefined ? '' : formatMoney(line.extension, formats.money)}
          </span>
        </Checkbox>
      ))}
      {shown.length === 0 ? <p className="soft">{t('estimate.noMatchingLines')}</p> : null}
    </div>
  );
}

function amountOf({ row, quantity, unit }: ReportLine, { numbers }: Formats): string {
  if (row.type === 'scope') return t('estimate.withItsAssemblies');
  return quantity === undefined ? '' : `${writeQuantity(quantity, unit, numbers)} ${unit}`;
}

/** The lines whose code and name have words that begin as all of those that are asked for. */
function findLines(lines: readonly ReportLine[], text: string): readonly ReportLine[] {
  const words = plainWords(text);
  if (words.length === 0) return lines;
  return lines.filter((line) => {
    const said = ` ${plainWords(`${line.code} ${describeAlone(line)}`).join(' ')}`;
    return words.every((word) => said.includes(` ${word}`));
  });
}

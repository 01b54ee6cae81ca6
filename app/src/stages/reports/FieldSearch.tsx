import type { ReportSource } from '@zest/core/job/records/report';
import { SearchChoice } from '../../parts/SearchChoice.tsx';
import { useOpenJob } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { fieldChoices, findChoices } from './fieldChoices.ts';

interface FieldSearchProps {
  readonly label: string;
  readonly source: ReportSource;
  readonly value: string;
  readonly onChoose: (field: string) => void;
}

/** A field of the rows, found by typing a few letters of what it is called. */
export function FieldSearch({ label, source, value, onChoose }: FieldSearchProps) {
  const { job } = useOpenJob();
  const choices = fieldChoices(source, job);
  return (
    <SearchChoice
      label={label}
      listLabel={t('report.fields')}
      placeholder={t('report.typeToFind')}
      value={value}
      width={340}
      side="left"
      find={(text) =>
        findChoices(choices, text).map(({ id, name, of }) => ({
          id,
          content: (
            <>
              <span>{name}</span> <span className="soft">{of}</span>
            </>
          ),
        }))
      }
      nothing={t('report.noMatches')}
      onChoose={onChoose}
    />
  );
}

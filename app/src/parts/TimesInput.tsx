import { CommitInput } from './CommitInput.tsx';
import { t } from '../messages/t.ts';

interface TimesInputProps {
  readonly name: string;
  readonly value: number;
  readonly onCommit: (times: number) => string | undefined;
}

/** How often a level or a zone is built: a whole number from 1. */
export function TimesInput({ name, value, onCommit }: TimesInputProps) {
  return (
    <CommitInput
      label={t('common.howManyTimesIsBuilt', { name })}
      align="end"
      style={{ width: 46 }}
      value={String(value)}
      onCommit={(text) => {
        const times = Number(text);
        return Number.isInteger(times) && times >= 1 ? onCommit(times) : t('common.typeAWholeNumber1OrMore');
      }}
    />
  );
}

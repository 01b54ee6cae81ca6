import type { Scope } from '@zest/core/job/records/scope';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

interface ScopeExpectedProps {
  readonly scope: Scope;
  readonly onChange: (label: string, changed: Partial<Scope>) => string | undefined;
}

const WHOLE = /^\d{1,5}$/;

/** How many a schedule says there are, and where: for what is counted, and for what came from a schedule. */
export function ScopeExpected({ scope, onChange }: ScopeExpectedProps) {
  if (scope.kind !== 'count' && scope.expected === undefined && scope.location === undefined) return null;
  const expect = (text: string): string | undefined => {
    const typed = text.trim();
    if (typed !== '' && !WHOLE.test(typed)) return t('measure.typeHowManyOrNothing');
    return onChange(t('measure.changeTheNumberExpected'), {
      expected: typed === '' ? undefined : Number(typed),
    });
  };
  return (
    <div className={styles.expected}>
      <label>
        {t('measure.expected')}
        <CommitInput
          label={t('measure.expectedCount')}
          value={scope.expected === undefined ? '' : String(scope.expected)}
          onCommit={expect}
        />
      </label>
      <label>
        {t('measure.location')}
        <CommitInput
          label={t('measure.location')}
          value={scope.location ?? ''}
          onCommit={(text) =>
            onChange(t('measure.changeTheLocation'), {
              location: text.trim() === '' ? undefined : text.trim(),
            })
          }
        />
      </label>
    </div>
  );
}

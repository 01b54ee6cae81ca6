import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import type { Assembly } from '@zest/core/job/records/assembly';
import {
  type Difference,
  type Kept,
  type Shelf,
  compareAssemblies,
  mainOf,
  takeVersion,
  versionsOf,
} from '@zest/core/library/shelf';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { useServices } from '../../stores/context.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

/** A later version in the library than the one this job has; undefined where there is none. */
export function laterVersion(shelf: Shelf, { origin, name }: Assembly): Kept | undefined {
  const [latest] = versionsOf(shelf, origin?.key ?? name);
  return latest !== undefined && latest.version > (origin?.version ?? 0) ? latest : undefined;
}

const WORDS: Readonly<Record<Difference['of'], string>> = {
  component: t('formula.component'),
  question: t('formula.question'),
  inner: t('assemblies.assemblyInside'),
  other: '',
};

/** The library has a later version: what differs, and taking it over only when asked. */
export function LaterVersion({ assembly, kept }: { readonly assembly: Assembly; readonly kept: Kept }) {
  const { makeId } = useServices();
  const settle = useSettle();
  const [open, setOpen] = useState(false);
  const differences = compareAssemblies(assembly, mainOf(kept));
  if (differences.length === 0) return null;
  const take = (): void => {
    const refused = settle(
      t('assemblies.takeVersionOf', { version: kept.version, name: assembly.name }),
      takeVersion(assembly.id, kept, makeId),
    );
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <div className={styles.laterVersion} role="status">
      <span>
        {t('assemblies.theLibraryHasVersionWith', {
          version: kept.version,
          differences: t('count.difference', { count: differences.length }),
        })}
      </span>
      <TextButton aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? t('assemblies.hideWhatDiffers') : t('assemblies.showWhatDiffers')}
      </TextButton>
      <Button size="xs" onClick={take}>
        {t('assemblies.useThisVersion')}
      </Button>
      {open ? (
        <ul>
          {differences.map(({ of, name, change }, index) => (
            <li key={index}>
              {[WORDS[of], name].filter(Boolean).join(' ')}: {change}
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  );
}

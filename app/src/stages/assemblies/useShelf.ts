import { useCallback, useEffect, useState } from 'react';
import { EMPTY_SHELF, type Shelf, readShelf, writeShelf } from '@zest/core/library/shelf';
import { tell, tellProblem } from '../../parts/toaster.tsx';
import { useServices } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';

const KEY = 'library';

/** Changes what stands in the library now, also by another tab; `done` is told once it is stored. */
export type ChangeShelf = (change: (shelf: Shelf) => Shelf, done?: (shelf: Shelf) => string) => void;

class ShelfUnread extends Error {}

/** The assemblies that are kept for other jobs; stored on this machine with every change. */
export function useShelf(): readonly [shelf: Shelf, changeShelf: ChangeShelf] {
  const { storage } = useServices();
  const [shelf, setShelf] = useState<Shelf>(EMPTY_SHELF);
  useEffect(() => {
    let gone = false;
    void storage.readChoice(KEY).then((stored) => {
      if (gone) return;
      const read = readShelf(stored);
      if (read !== undefined) setShelf(read);
      const lost = read?.unread.length ?? 0;
      if (read === undefined) tellProblem(t('assemblies.theKeptAssembliesCouldNotBeRead'));
      else if (lost > 0)
        tellProblem(
          t('assemblies.couldNotBeReadHereAndStay', {
            keptAssemblies: t('count.keptAssembly', { count: lost }),
          }),
        );
    });
    return () => {
      gone = true;
    };
  }, [storage]);
  const changeShelf: ChangeShelf = useCallback(
    (change, done) => {
      let next: Shelf | undefined;
      storage
        .changeChoice(KEY, (stored) => {
          const read = readShelf(stored);
          if (read === undefined) throw new ShelfUnread();
          next = change(read);
          return writeShelf(next);
        })
        .then(() => {
          if (next === undefined) return;
          setShelf(next);
          if (done !== undefined) tell(done(next));
        })
        .catch((error: unknown) =>
          tellProblem(
            error instanceof ShelfUnread
              ? t('assemblies.theKeptAssembliesCouldNotBeRead2')
              : t('assemblies.theLibraryCouldNotBeStoredThis'),
          ),
        );
    },
    [storage],
  );
  return [shelf, changeShelf];
}

import { useCallback, useEffect, useState } from 'react';
import { EMPTY_SHELF, type Shelf, readShelf, writeShelf } from '@zest/core/library/shelf';
import { tell, tellProblem } from '../../components/toaster.tsx';
import { plural } from '../../messages/words.ts';
import { useServices } from '../../stores/context.tsx';

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
      if (read === undefined)
        tellProblem('The kept assemblies could not be read; they are left as they are.');
      else if (lost > 0)
        tellProblem(
          `${plural(lost, 'kept assembly', 'kept assemblies')} could not be read here, and stay stored.`,
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
              ? 'The kept assemblies could not be read, so nothing was written over them.'
              : 'The library could not be stored: this machine has no room for it. Export the assembly as a file, so that nothing is lost.',
          ),
        );
    },
    [storage],
  );
  return [shelf, changeShelf];
}

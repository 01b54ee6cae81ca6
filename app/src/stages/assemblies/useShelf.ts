import { useCallback, useEffect, useState } from 'react';
import { EMPTY_SHELF, type Shelf, readShelf, writeShelf } from '@zest/core/library/shelf';
import { tellProblem } from '../../components/toaster.tsx';
import { useServices } from '../../stores/context.tsx';

const KEY = 'library';

/** The assemblies that are kept for other jobs; stored on this machine with every change. */
export function useShelf(): readonly [shelf: Shelf, keep: (shelf: Shelf) => void] {
  const { storage } = useServices();
  const [shelf, setShelf] = useState<Shelf>(EMPTY_SHELF);
  useEffect(() => {
    let gone = false;
    void storage.readChoice(KEY).then((stored) => {
      if (gone) return;
      const read = readShelf(stored);
      setShelf(read.shelf);
      if (read.lost > 0)
        tellProblem(
          `${read.lost} of the kept assemblies could not be read and ${read.lost === 1 ? 'was' : 'were'} left out.`,
        );
    });
    return () => {
      gone = true;
    };
  }, [storage]);
  const keep = useCallback(
    (next: Shelf): void => {
      setShelf(next);
      storage
        .saveChoice(KEY, writeShelf(next))
        .catch(() => tellProblem('The library could not be stored. Export it, so that nothing is lost.'));
    },
    [storage],
  );
  return [shelf, keep];
}

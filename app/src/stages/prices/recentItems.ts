import { useEffect, useState } from 'react';
import * as z from 'zod';
import type { JobStorage } from '../../storage/jobStorage.ts';
import { useServices } from '../../stores/context.tsx';

const KEY = 'recent-items';
const LIMIT = 30;
const codesSchema = z.array(z.string()).max(1000);

const read = (stored: unknown): readonly string[] => {
  const codes = codesSchema.safeParse(stored);
  return codes.success ? codes.data : [];
};

/** Codes that were chosen lately, on this machine, the latest first. */
export function useRecentItems(): readonly string[] {
  const { storage } = useServices();
  const [codes, setCodes] = useState<readonly string[]>([]);
  useEffect(() => {
    let current = true;
    void storage.readChoice(KEY).then((stored) => {
      if (current) setCodes(read(stored));
    });
    return () => {
      current = false;
    };
  }, [storage]);
  return codes;
}

export async function rememberItem(storage: JobStorage, code: string): Promise<void> {
  if (code === '') return;
  await storage.changeChoice(KEY, (stored) =>
    [code, ...read(stored).filter((each) => each !== code)].slice(0, LIMIT),
  );
}

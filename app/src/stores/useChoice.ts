import { useCallback, useEffect, useState } from 'react';
import type * as z from 'zod';
import { useServices } from './context.tsx';

/**
 * A choice about how something is shown, remembered on this machine. What was stored by another
 * version and does not fit any more is left for the usual one.
 */
export function useChoice<Value>(
  key: string,
  usual: Value,
  schema: z.ZodType<Value>,
): readonly [Value, (value: Value) => void] {
  const { storage } = useServices();
  const [value, setValue] = useState(usual);
  useEffect(() => {
    let current = true;
    void storage.readChoice(key).then((stored) => {
      const read = schema.safeParse(stored);
      if (current && read.success) setValue(read.data);
    });
    return () => {
      current = false;
    };
  }, [key, schema, storage]);
  const choose = useCallback(
    (next: Value) => {
      setValue(next);
      void storage.saveChoice(key, next);
    },
    [key, storage],
  );
  return [value, choose];
}

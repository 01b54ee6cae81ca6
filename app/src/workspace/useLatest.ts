import { useLayoutEffect, useRef } from 'react';

/** The latest value for handlers that are bound once. */
export function useLatest<Value>(value: Value): { readonly current: Value } {
  const latest = useRef(value);
  useLayoutEffect(() => {
    latest.current = value;
  });
  return latest;
}

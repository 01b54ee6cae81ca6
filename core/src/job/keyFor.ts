import { RESERVED_NAMES } from '../formula/functions.ts';

/** A key from a name: `Partition P2, 6"` is partition_p2_6; made unique among the job's keys. */
export function keyFor(name: string, taken: ReadonlySet<string>, fallback = 'scope'): string {
  const plain = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^_+|_+$/g, '')
    .slice(0, 40);
  const base = /^[a-z_]/.test(plain) ? plain : `${fallback}_${plain}`.replace(/_$/, '');
  for (let i = 1; ; i += 1) {
    const key = i === 1 ? base : `${base}_${i}`;
    if (!taken.has(key) && !RESERVED_NAMES.has(key)) return key;
  }
}

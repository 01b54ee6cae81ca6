import { describe, expect, it, jest } from '@jest/globals';
import { WorkerEnded, createGuardedWorker } from './guardedWorker.ts';

/** A worker that never answers, and can be made to die. */
function silentWorker() {
  const listeners = new Map<string, () => void>();
  return {
    terminate: jest.fn(),
    postMessage: () => undefined,
    addEventListener: (name: string, listen: () => void) => void listeners.set(name, listen),
    removeEventListener: () => undefined,
    die: () => listeners.get('error')?.(),
  };
}

const never = <Value>(): Promise<Value> => new Promise(() => undefined);

describe('a worker that is asked within a budget', () => {
  it('gives its answer, and the errors of its own', async () => {
    const guarded = createGuardedWorker<object>(() => silentWorker() as unknown as Worker);
    expect(await guarded.ask(() => Promise.resolve(7), 1000)).toBe(7);
    await expect(guarded.ask(() => Promise.reject(new Error('no such page')), 1000)).rejects.toThrow(
      'no such page',
    );
  });

  it('is ended when it takes too long; all who wait are told, each of its own part in it, and the next gets a new one', async () => {
    const made: ReturnType<typeof silentWorker>[] = [];
    const guarded = createGuardedWorker<object>(() => {
      const worker = silentWorker();
      made.push(worker);
      return worker as unknown as Worker;
    });
    const other = guarded.ask(() => never(), 60_000);
    const asked = guarded.ask(() => never(), 5);
    await expect(asked).rejects.toEqual(new WorkerEnded('too-long'));
    await expect(other).rejects.toMatchObject({ reason: 'died' });
    expect(made[0]?.terminate).toHaveBeenCalledTimes(1);
    expect(await guarded.ask(() => Promise.resolve('again'), 1000)).toBe('again');
    expect(made).toHaveLength(2);
  });

  it('is ended by Cancel, before and while it works', async () => {
    const worker = silentWorker();
    const guarded = createGuardedWorker<object>(() => worker as unknown as Worker);
    const stop = new AbortController();
    const asked = guarded.ask(() => never(), 60_000, stop.signal);
    stop.abort();
    await expect(asked).rejects.toMatchObject({ reason: 'canceled' });
    expect(worker.terminate).toHaveBeenCalled();
    await expect(guarded.ask(() => never(), 60_000, stop.signal)).rejects.toMatchObject({
      reason: 'canceled',
    });
  });

  it('is noticed when it dies', async () => {
    const worker = silentWorker();
    const guarded = createGuardedWorker<object>(() => worker as unknown as Worker);
    const asked = guarded.ask(() => never(), 60_000);
    worker.die();
    await expect(asked).rejects.toMatchObject({ reason: 'died' });
  });
});

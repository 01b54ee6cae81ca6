import { type Remote, wrap } from 'comlink';

/** A worker that did not answer: it took too long, was stopped by the person, or died. */
export class WorkerEnded extends Error {
  readonly reason: 'too-long' | 'canceled' | 'died';
  constructor(reason: 'too-long' | 'canceled' | 'died') {
    super(`WorkerEnded: ${reason}`);
    this.reason = reason;
  }
}

interface Running<Api> {
  readonly worker: Worker;
  readonly remote: Remote<Api>;
}

export interface GuardedWorker<Api> {
  /** Asks the worker within a budget of time; one that does not keep it is ended, and the next call gets a new one. */
  readonly ask: <Value>(
    call: (remote: Remote<Api>) => Promise<Value>,
    budgetMs: number,
    stop?: AbortSignal,
  ) => Promise<Value>;
  readonly end: () => void;
}

/** A worker that is noticed when it dies or hangs: whoever waits is told, and a new one is started when asked again. */
export function createGuardedWorker<Api>(create: () => Worker): GuardedWorker<Api> {
  let running: Running<Api> | undefined;
  const waiting = new Set<(error: WorkerEnded) => void>();

  const end = (reason: WorkerEnded['reason'], cause?: (error: WorkerEnded) => void): void => {
    running?.worker.terminate();
    running = undefined;
    // Everyone who waits for the same worker learns of it; only who asked for too much is told so.
    for (const tell of [...waiting])
      tell(new WorkerEnded(cause === undefined || tell === cause ? reason : 'died'));
    waiting.clear();
  };
  const start = (): Running<Api> => {
    const worker = create();
    worker.addEventListener('error', () => end('died'));
    worker.addEventListener('messageerror', () => end('died'));
    running = { worker, remote: wrap<Api>(worker) };
    return running;
  };

  return {
    ask: (call, budgetMs, stop) =>
      new Promise((resolve, reject) => {
        if (stop?.aborted === true) return reject(new WorkerEnded('canceled'));
        const { remote } = running ?? start();
        const timer = setTimeout(() => end('too-long', fail), budgetMs);
        const onStop = (): void => end('canceled', fail);
        const done = (): void => {
          clearTimeout(timer);
          stop?.removeEventListener('abort', onStop);
          waiting.delete(fail);
        };
        const fail = (error: WorkerEnded): void => {
          done();
          reject(error);
        };
        waiting.add(fail);
        stop?.addEventListener('abort', onStop);
        call(remote).then(
          (value) => {
            done();
            resolve(value);
          },
          (error: unknown) => {
            done();
            reject(error instanceof Error ? error : new Error(String(error)));
          },
        );
      }),
    end: () => end('canceled'),
  };
}

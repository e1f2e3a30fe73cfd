import { E_TIMEOUT, Mutex, withTimeout, type MutexInterface } from 'async-mutex';

/** Nobody's turn came in time. */
export class TurnTimeout extends Error {
  override readonly name = 'TurnTimeout';
  readonly code = '55P03';
}

/**
 * Lets work on one thing happen one at a time, in the order in which it came, without holding a database connection while
 * it waits. What has waited for `patience` ms gives up.
 */
export class Turns {
  private readonly queues = new Map<string, { readonly mutex: MutexInterface; waiting: number }>();
  private readonly patience: number;

  constructor(patience: number) {
    this.patience = patience;
  }

  /** Runs `work` with the time it has left, in ms. */
  async take<T>(key: string, work: (left: number) => Promise<T>): Promise<T> {
    const queue = this.queues.get(key) ?? { mutex: withTimeout(new Mutex(), this.patience), waiting: 0 };
    this.queues.set(key, queue);
    queue.waiting += 1;
    const asked = performance.now();
    try {
      return await queue.mutex.runExclusive(() => {
        const left = Math.floor(this.patience - (performance.now() - asked));
        if (left <= 0) throw new TurnTimeout('the turn came too late');
        return work(left);
      });
    } catch (error) {
      throw error === E_TIMEOUT ? new TurnTimeout('the turn did not come') : error;
    } finally {
      queue.waiting -= 1;
      if (queue.waiting === 0) this.queues.delete(key);
    }
  }
}

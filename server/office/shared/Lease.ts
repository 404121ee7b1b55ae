import type { RedisClientType } from 'redis';

/** So long an owner that says nothing is taken to be there: another process takes the office over after that. */
export const leaseMs = 3_000;
const renewMs = 1_000;
const lookMs = 300;

/**
 * Where nobody owns the office, or this process has let its lease run out and nobody has taken it over: a number that nobody had before
 * (the fencing token), under which alone anything is written from then on.
 */
const acquireScript = `
  if redis.call('EXISTS', KEYS[1]) == 1 then return false end
  local token = redis.call('INCR', KEYS[2])
  redis.call('SET', KEYS[1], token .. ' ' .. ARGV[1], 'PX', ARGV[2])
  return token`;
const renewScript = `
  if redis.call('GET', KEYS[2]) ~= ARGV[1] then return 0 end
  redis.call('SET', KEYS[1], ARGV[1] .. ' ' .. ARGV[2], 'PX', ARGV[3])
  return 1`;
const releaseScript = `
  if redis.call('GET', KEYS[2]) == ARGV[1] then redis.call('DEL', KEYS[1]) end
  return 1`;

/** Under which names an office's ownership stands, and the last token that was given. */
export const leaseKeys = (office: string) => [`${office}:lease`, `${office}:fence`];

interface LeaseOptions {
  redis: RedisClientType;
  /** The name of the office. */
  office: string;
  /** Where the other processes reach this one. */
  peer: string;
}

/**
 * Which process owns an office: one at a time. Who owned it and was not there for a while finds that somebody else does, and can write
 * nothing any more, however late it notices (`RedisStore`).
 */
export class Lease {
  private token: number | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private isOver = false;

  constructor(private readonly options: LeaseOptions) {}

  /** Resolves with the fencing token once this process owns the office. */
  async own(): Promise<number> {
    this.isOver = false;
    for (;;) {
      const token = await this.acquire().catch(() => null);
      if (token !== null) return (this.token = token);
      await new Promise((resolve) => (this.timer = setTimeout(resolve, lookMs)));
    }
  }

  /** Goes on owning it. `onLost` is called once somebody else does. */
  keep(onLost: () => void): void {
    this.timer = setTimeout(() => {
      void this.renew()
        // What can't be asked now may be asked again before anybody else takes over, who is known by the fence.
        .catch(() => true)
        .then((isOurs) => {
          if (this.isOver) return;
          if (isOurs) this.keep(onLost);
          else onLost();
        });
    }, renewMs);
  }

  /** Where the owner is reached; null: there is none now. */
  async owner(): Promise<string | null> {
    const [lease = ''] = leaseKeys(this.options.office);
    const said = await this.options.redis.get(lease).catch(() => null);
    return said?.slice(said.indexOf(' ') + 1) ?? null;
  }

  /** Somebody else may take it over at once. */
  async release(): Promise<void> {
    this.isOver = true;
    clearTimeout(this.timer);
    if (this.token !== null) await this.run(releaseScript, [String(this.token)]);
  }

  private async acquire(): Promise<number | null> {
    const answer = await this.run(acquireScript, [this.options.peer, String(leaseMs)]);
    return typeof answer === 'number' ? answer : null;
  }

  private async renew(): Promise<boolean> {
    return (await this.run(renewScript, [String(this.token), this.options.peer, String(leaseMs)])) === 1;
  }

  private run(script: string, args: string[]): Promise<unknown> {
    const { redis, office } = this.options;
    return redis.eval(script, { keys: leaseKeys(office), arguments: args });
  }
}

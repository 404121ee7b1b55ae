import type { RedisClientType } from 'redis';

import { afterAll, type OfficeBackend } from '../backend';
import { leaseKeys } from './Lease';

/** All of it or nothing, and only for the process that owns the office by the last token that was given. */
const writeScript = `
  if redis.call('GET', KEYS[1]) ~= ARGV[1] then return redis.error_reply('FENCED') end
  local last = 2 + 2 * tonumber(ARGV[2])
  for at = 3, last, 2 do
    redis.call('HSET', KEYS[2], ARGV[at], ARGV[at + 1])
    redis.call('ZADD', KEYS[3], 0, ARGV[at])
  end
  for at = last + 1, #ARGV do
    redis.call('HDEL', KEYS[2], ARGV[at])
    redis.call('ZREM', KEYS[3], ARGV[at])
  end
  return 1`;

interface RedisStoreOptions {
  redis: RedisClientType;
  office: string;
  /** By which this process owns the office. */
  token: number;
  /** It does not any more: nothing was written, and nothing may be told. */
  onFenced: () => void;
}

/**
 * An office's store that several machines reach: its texts in a hash, their keys in order beside it. What is written is as safe as Redis is
 * told to make it (`appendonly yes`, `appendfsync always`: docs/scale.md).
 */
export function openRedis({ redis, office, token, onFenced }: RedisStoreOptions): OfficeBackend {
  const [, fence = ''] = leaseKeys(office);
  const [texts, index] = [`${office}:texts`, `${office}:keys`];
  const change = async (put: Readonly<Record<string, string>>, gone: readonly string[]) => {
    const pairs = Object.entries(put);
    if (pairs.length === 0 && gone.length === 0) return;
    try {
      await redis.eval(writeScript, {
        keys: [fence, texts, index],
        arguments: [String(token), String(pairs.length), ...pairs.flat(), ...gone],
      });
    } catch (error) {
      if (String(error).includes('FENCED')) onFenced();
      throw error;
    }
  };
  const getKeys = (prefix: string) =>
    prefix === ''
      ? redis.zRange(index, '-', '+', { BY: 'LEX' })
      : redis.zRange(index, `[${prefix}`, `(${prefix}${afterAll}`, { BY: 'LEX' });
  return {
    getKeys,
    getAllKeys: () => getKeys(''),
    getMany: async (keys) => {
      if (keys.length === 0) return {};
      const found = await redis.hmGet(texts, [...keys]);
      return Object.fromEntries(keys.map((key, at) => [key, found[at] ?? null]));
    },
    setMany: (entries) => change(entries, []),
    removeMany: (keys) => change({}, keys),
    // The connection is its process’s, who says last that somebody else may have the office.
    close: async () => undefined,
  };
}

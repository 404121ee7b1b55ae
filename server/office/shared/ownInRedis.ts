import type { RedisClientType } from 'redis';

import type { OwnedStore } from '../OfficePlace';
import { Lease } from './Lease';
import { openRedis } from './redisStore';

interface OwnInRedisOptions {
  redis: RedisClientType;
  /** Under which name it stands there. */
  office: string;
  /** Where the other processes reach this one. */
  peer: string;
  onOwned: (token: number) => void;
  /** Another process has it: what is done from then on is kept nowhere, and told to nobody. */
  onLost: () => void;
}

/** An office in a store that other processes reach as well: it is run by whichever owns it. */
export function ownInRedis({ redis, office, peer, onOwned, onLost }: OwnInRedisOptions) {
  const lease = new Lease({ redis, office, peer });
  return {
    findOwner: () => lease.owner(),
    own: async (): Promise<OwnedStore> => {
      const token = await lease.own();
      onOwned(token);
      lease.keep(onLost);
      return {
        backend: openRedis({ redis, office, token, onFenced: onLost }),
        release: () => lease.release(),
      };
    },
  };
}

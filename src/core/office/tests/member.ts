import type { Session } from '../session';

/** For the tests: somebody whose app asks. */
export const member = (personId: string, roles: Session['roles'] = ['member']): Session => ({
  ...{ id: personId, personId, deviceId: null },
  roles,
});

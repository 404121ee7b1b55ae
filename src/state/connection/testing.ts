import type { Action, ThunkAction } from '@reduxjs/toolkit';

import {
  networkOf,
  networkOfTest,
  probesOver,
  type ConnectionTest,
  type Network,
  type Probe,
} from '@/core/calls/quality';
import { findWays, probeLink, probeRelay } from '@/office/probing';
import { rtcServersOf } from '@/office/ice';
import { networkTested, type RootState, type Services } from '@/state/app';
import { connectionTestsKind, storageKeys, Vault } from '@/state/storage';

type Act<T> = ThunkAction<T, RootState, Services, Action>;

/** As many probes, and as far apart, as packets of a voice in four seconds. */
const probing = { count: 200, everyMs: 20 };
const mostTests = 300;

/** What is being tried now. */
export type TestStep = 'link' | 'ways' | 'relay';

/** Tries what the network does to calls from here, and reckons with it from then on. */
export const testConnection =
  (onStep: (step: TestStep) => void): Act<Promise<ConnectionTest>> =>
  async (dispatch, getState, { server, clock }) => {
    onStep('link');
    const link = await tryLink(getState(), server);
    onStep('ways');
    const iceServers = (await server?.askOfVoices({ what: 'servers' }))?.iceServers ?? [];
    const given = rtcServersOf(iceServers);
    const ways = await findWays(given);
    if (ways.turn === 'reached') onStep('relay');
    const relayed = ways.turn === 'reached' ? await probeRelay(given, probing) : null;
    const test: ConnectionTest = {
      ...{ id: crypto.randomUUID(), at: clock.now(), place: '', link, ...ways },
      relayed: relayed && networkOf(relayed, 'oneWay'),
    };
    dispatch(networkTested(networkOfTest(test)));
    return test;
  };

/** The link to the office: where this browser hosts it, the stand-in network that calls go through. */
async function tryLink({ office }: RootState, server: Services['server']): Promise<Network | null> {
  if (!office.isOnline) return null;
  const probes: Probe[] = server
    ? await probeLink(server.echo, probing)
    : probesOver(office.network, { ...probing, random: Math.random });
  return networkOf(probes, 'roundTrip');
}

/** The tests of this device, newest first. */
export const readTests = async (vault: Vault): Promise<ConnectionTest[]> =>
  (await vault.read(storageKeys.connectionTests, connectionTestsKind)) ?? [];

let last: Promise<unknown> = Promise.resolve();

/** Changes what is there now, since another tab may have changed it; one change after the other. */
function change(vault: Vault, how: (tests: ConnectionTest[]) => ConnectionTest[]): Promise<ConnectionTest[]> {
  const done = last.then(async () => {
    const tests = how(await readTests(vault)).slice(0, mostTests);
    await vault.write({ [storageKeys.connectionTests]: Vault.encode(tests, connectionTestsKind) });
    return tests;
  });
  last = done.catch(() => undefined);
  return done;
}

/** Keeps a test, also one that was forgotten by mistake. */
export const keepTest = (vault: Vault, test: ConnectionTest) =>
  change(vault, (tests) =>
    [test, ...tests.filter(({ id }) => id !== test.id)].toSorted((a, b) => b.at - a.at),
  );

export const forgetTest = (vault: Vault, id: string) =>
  change(vault, (tests) => tests.filter((test) => test.id !== id));

/** Says where a test was. */
export const placeOfTest = (vault: Vault, id: string, place: string) =>
  change(vault, (tests) => tests.map((test) => (test.id === id ? { ...test, place } : test)));

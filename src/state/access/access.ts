import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';
import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils';
import { parse } from 'bowser';

import type { AccessRequest, AccessSeen } from '@/core/office';

import {
  arriving,
  explainInboxRefusal,
  newSecret,
  selectMyId,
  selectOffice,
  type RootState,
  type Services,
} from '../app';
import { chosenOffice, keepOwnToken, ownToken } from '../offices';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

/** What the device calls itself in the list of those that are signed in: “Chrome, Android”. */
export function deviceName(): string {
  const { browser, os } = parse(navigator.userAgent);
  return (
    [browser.name, os.name].filter((name) => name !== undefined && name !== '').join(', ') || 'A browser'
  );
}

/** Comes to the office with an extension, or the code of an invitation, and a PIN. What becomes of it is in the store. */
export const signIn =
  (shown: { account: string; pin: string } | { code: string; pin: string }): Act =>
  (dispatch, _, { arrive }) => {
    dispatch(arriving());
    const proof = { token: newSecret(), name: deviceName() };
    arrive('code' in shown ? { by: 'code', ...shown, ...proof } : { by: 'pin', ...shown, ...proof });
  };

/** Asks for something about who is let in. Gives why it was not done; null: it was. */
export const askAccess =
  (request: AccessRequest): Act<Promise<string | null>> =>
  async (_, getState, { link }) => {
    const reply = await link?.ask(request);
    if (!reply) return 'The office is not reached now. Try again.';
    return reply.ok ? null : explainInboxRefusal(reply.reason, selectOffice(getState()));
  };

/** A PIN of one's own from now on. In an office of one's own this device is signed in by that, where it was not. */
export const setPin =
  (pin: string, before: string | null): Act<Promise<string | null>> =>
  async (dispatch, _, { isSignedIn }) => {
    if (chosenOffice() === 'sample')
      return dispatch(askAccess({ type: 'setPin', pin, before, device: null }));
    const token = ownToken() ?? newSecret();
    // Before the office asks for it.
    if (!keepOwnToken(token))
      return 'This browser lets no site keep anything, so it could not stay signed in. Nothing was changed.';
    const device = { token, name: deviceName() };
    const problem = await dispatch(askAccess({ type: 'setPin', pin, before, device }));
    if (problem === null) isSignedIn(token);
    return problem;
  };

/** The invitation that a device of theirs joins by, as an address; or why there is none. */
export const invite =
  (personId: string): Act<Promise<{ address: string } | { problem: string }>> =>
  async (dispatch) => {
    const code = newSecret();
    const problem = await dispatch(askAccess({ type: 'invite', personId, code }));
    return problem === null ? { address: `${window.location.origin}/join?code=${code}` } : { problem };
  };

const none: AccessSeen = { pins: [], invitations: [], signIns: [] };
const selectAccess = ({ office }: RootState) => office.access ?? none;

/** Whether that sign-in is this device's. */
export function isThisDevice(signInId: string): boolean {
  const token = ownToken();
  return token !== null && bytesToHex(sha256(utf8ToBytes(token))) === signInId;
}

/** The devices I am signed in on, the one that was there last first. */
export const selectMySignIns = createSelector(selectAccess, selectMyId, ({ signIns }, myId) =>
  signIns.filter(({ personId }) => personId === myId).sort((a, b) => b.lastAt - a.lastAt),
);
/** Whether somebody has a PIN, and whether it was given by whoever runs the office. */
export const selectPinOf = (state: RootState, personId: string): 'none' | 'given' | 'own' => {
  const pin = selectAccess(state).pins.find((each) => each.personId === personId);
  return pin === undefined ? 'none' : pin.isGiven ? 'given' : 'own';
};
export const selectMyPin = (state: RootState) => selectPinOf(state, selectMyId(state));
/** Until when somebody's invitation lets a device in; null: there is none. */
export const selectInvitedUntil = (state: RootState, personId: string): number | null =>
  selectAccess(state).invitations.find((each) => each.personId === personId)?.until ?? null;

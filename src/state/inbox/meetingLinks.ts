import type { Action, ThunkAction } from '@reduxjs/toolkit';

import {
  actDone,
  askOffice,
  newSecret,
  selectTextNumber,
  send,
  textLineOf,
  type CallView,
  type PartyView,
  type RootState,
  type Services,
} from '@/state/app';

type Act<T> = ThunkAction<T, RootState, Services, Action>;

/**
 * Makes a link to the meeting: for guests, who wait to be let in, or for the screen beside somebody's phone. Another one for the same is good no more.
 * Gives its address; null: it was refused, which has been said.
 */
export const giveMeetingLink =
  ({ me }: CallView, forLegId: string | null): Act<Promise<string | null>> =>
  async (dispatch) => {
    const token = newSecret();
    const act = { act: 'giveLink', token, forLegId } as const;
    const result = await dispatch(send({ type: 'inMeeting', legId: me.legId, act }));
    if (!result?.ok) return null;
    // After the fragment's sign: no server and no log on the way is told it.
    return `${window.location.origin}/guest${forLegId === null ? '' : '?beside'}#${token}`;
  };

/** Whether the office has a mail server that asks people to meetings; also false while that is not known. */
export const canInviteByMail =
  (): Act<Promise<boolean>> =>
  async (_dispatch, _getState, { server }) => {
    const answer = await server?.askOfTelling({ what: 'places' });
    return answer != null && 'sendsMail' in answer && answer.sendsMail;
  };

/** Mails somebody the link for guests, with a request for their calendar. Gives why it did not go, as a sentence; null: it went. */
export const mailMeetingLink =
  (address: string, to: string): Act<Promise<string | null>> =>
  async (dispatch, _getState, { server }) => {
    const token = address.slice(address.indexOf('#') + 1);
    const answer = await server?.askOfTelling({ what: 'invite', token, to });
    if (!answer) return 'The office is not reached now. Try again.';
    if ('refused' in answer) return answer.refused;
    dispatch(actDone(`The invitation is on its way to ${to.trim()}.`));
    return null;
  };

/** Texts whoever is at a phone outside a link by which they see the meeting beside it. Says whether it is on its way. */
export const textMeetingLink =
  (view: CallView, { legId, name, number }: PartyView): Act<Promise<boolean>> =>
  async (dispatch, getState, { clock }) => {
    const [to, lineId] = [selectTextNumber(getState(), number), textLineOf(getState())];
    if (to === null || lineId === null) return false;
    const address = await dispatch(giveMeetingLink(view, legId));
    if (address === null) return false;
    const text = `See our meeting, and be seen, while we go on talking by phone: ${address}`;
    const id = `text-${view.id}-${clock.now()}`;
    const isWritten = await dispatch(
      askOffice({ type: 'write', id, callId: view.id, lineId, number: to, text }),
    );
    if (isWritten) dispatch(actDone(`The link is on its way to ${name}.`));
    return isWritten;
  };

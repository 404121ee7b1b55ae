import type { Action, ThunkAction } from '@reduxjs/toolkit';

import type { Shown } from '@/core/calls/callerId';
import type { Command, CommandResult, Target } from '@/core/calls/exchange';
import { plainFollowUp, type FollowUp } from '@/core/inbox/followUps';
import { takesTexts } from '@/core/numbers/numbering';
import type { ClockSetting } from '@/office/clock';

import { askOffice } from './asking';
import { dropSome, keepOne } from './inboxSlice';
import { freeId } from './freeId';
import { selectContacts } from './selectors';
import { nameOfCall, selectIncoming, selectTaken, type CallView } from './callViews';
import { answeredOn } from './leaving';
import { selectAtMyOtherPhones, type HandedOver } from './otherPhones';
import { isActive } from './mySound';
import { explainRefusal } from './refusals';
import type { Services } from './services';
import { actDone, actRefused, clockChanged, dialTextChanged, ringSilenced, shownOnceChosen } from './slices';
import type { RootState } from './store';
import { selectTravel } from './callMethod';
import { selectMyDeviceId } from './session';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

/** Asks the office for one thing. A refusal becomes a sentence on the screen. */
export const send =
  (command: Command): Act<Promise<CommandResult | null>> =>
  async (dispatch, getState, services) => {
    const { link } = services;
    if (!link) return null;
    const asked = 'legId' in command ? callOfLeg(getState(), command.legId) : null;
    services.lastSentAt = performance.now();
    // What was said before this act is over; what the act itself brings about is said meanwhile.
    dispatch(actRefused(null));
    const result = await link.send(command);
    if (result.ok) return result;
    // Answered at two phones at once, one of them has it.
    const there = selectAtMyOtherPhones(getState()).find(({ callId }) => callId === asked);
    if (command.type === 'answer' && there) dispatch(actDone(answeredOn(there.deviceName)));
    else dispatch(actRefused(explainRefusal(result.reason)));
    return result;
  };

const callOfLeg = ({ calls }: RootState, legId: string | null): string | null =>
  Object.values(calls.byId).find(({ legs }) => legs.some(({ id }) => id === legId))?.id ?? null;

/** Asks for one thing, and says what is true afterwards. */
export const sendAndSay =
  (command: Command, done: string): Act<Promise<boolean>> =>
  async (dispatch) => {
    const result = await dispatch(send(command));
    if (result?.ok) dispatch(actDone(done));
    return result?.ok ?? false;
  };

interface PlacingOptions {
  /** The held leg the call is about. */
  consultationFor?: string;
  /** It was dialled, so that the number chosen there for one call is shown. */
  isDialled?: boolean;
  /** Chosen when the worker was asked. */
  shown?: Shown;
}

/**
 * Places a call, showing the line that is to be seen there, the way Cendro recommends or the worker chose. The field is emptied
 * once the call is there. Says whether the call is on this device, where its cords are.
 */
export const placeCall =
  (
    to: string,
    { consultationFor, isDialled = false, shown: asked }: PlacingOptions = {},
  ): Act<Promise<boolean>> =>
  async (dispatch, getState) => {
    const { shown, fromDeviceId } = selectTravel(getState(), to, isDialled);
    const present = asked ?? shown.shown;
    const ownPhone = consultationFor === undefined ? fromDeviceId : null;
    const from = { kind: 'device' as const, deviceId: ownPhone ?? selectMyDeviceId(getState()) };
    const ringOwnPhoneFirst = ownPhone !== null || undefined;
    const result = await dispatch(
      send({ type: 'make', from, to, present, ringOwnPhoneFirst, consultationFor }),
    );
    if (!result?.ok) return false;
    dispatch(dialTextChanged(''));
    if (isDialled) dispatch(shownOnceChosen(null));
    return true;
  };

/** The first thing that waits is answered; the call talked on is held. */
export const answerFirst = (): Act<Promise<CommandResult | null>> => async (dispatch, getState) => {
  const [first] = selectIncoming(getState());
  return first ? dispatch(send({ type: 'answer', legId: first.me.legId })) : null;
};

export const silence =
  (callId: string): Act =>
  (dispatch) => {
    dispatch(ringSilenced(callId));
  };

/** Parks the call; the slot is said large. */
export const park =
  (view: CallView): Act<Promise<void>> =>
  async (dispatch) => {
    const result = await dispatch(send({ type: 'park', legId: view.me.legId }));
    if (result?.ok)
      dispatch(
        actDone(`${nameOfCall(view)} waits in slot ${result.note ?? ''}, until any phone takes them back.`),
      );
  };

/** Takes a hand-over of one's own back; says whether the call is here again. */
export const takeBackCall =
  ({ legId, name }: HandedOver): Act<Promise<boolean>> =>
  async (dispatch, getState) => {
    const deviceId = selectMyDeviceId(getState());
    return dispatch(sendAndSay({ type: 'takeBack', deviceId, legId }, `${name} is with you again.`));
  };

/** Sends the call on at once. */
export const transfer =
  (view: CallView, target: Target, toName: string): Act<Promise<boolean>> =>
  async (dispatch) => {
    const said =
      target.kind === 'mailbox'
        ? `${nameOfCall(view)} is in ${toName}’s mailbox.`
        : `${nameOfCall(view)} is being connected to ${toName}. If nobody takes it, it comes back to you.`;
    return dispatch(sendAndSay({ type: 'transfer', legId: view.me.legId, target }, said));
  };

/** What a refusal is softened with: a text, a time to call back at, or both. */
export interface RefusalReply {
  /** null: nothing is texted. */
  text: string | null;
  /** Epoch milliseconds; null: nothing is promised. */
  callBackAt: number | null;
}

/** Refuses a call while it rings, texts the caller where a number of theirs takes texts, and remembers when to call back. */
export const refuseWithText =
  (view: CallView, { text, callBackAt }: RefusalReply): Act<Promise<void>> =>
  async (dispatch, getState, { clock }) => {
    const [caller] = view.others;
    const number = caller?.number ?? null;
    const textNumber = selectTextNumber(getState(), number);
    const lineId = textLineOf(getState());
    const isRinging = selectIncoming(getState()).some(({ id }) => id === view.id);
    const result = isRinging ? await dispatch(send({ type: 'refuse', legId: view.me.legId })) : null;
    if (isRinging && !result?.ok) return;
    const at = clock.now();
    const isTexted = text !== null && textNumber !== null && lineId !== null;
    const id = `text-${view.id}-${at}`;
    if (isTexted)
      await dispatch(askOffice({ type: 'write', id, callId: view.id, lineId, number: textNumber, text }));
    if (callBackAt !== null) {
      dispatch(
        keepOne('work', {
          kind: 'followUp',
          id: `follow-${view.id}-${at}`,
          at,
          callId: view.id,
          number,
          name: caller?.name ?? 'somebody',
          text: isTexted ? 'Call back, as promised by text' : 'Call back',
          dueAt: callBackAt,
          doneAt: null,
          ...plainFollowUp,
          isPromise: true,
        }),
      );
    }
    const name = caller?.name ?? 'the caller';
    if (isTexted) dispatch(actDone(`Texted ${name}: “${text}”`));
    else if (callBackAt !== null)
      dispatch(actDone(`${isRinging ? 'Refused. ' : ''}${name} is in your follow-ups.`));
  };

/** Where somebody with that number can be texted: there, or at another number of the same contact; null where nowhere. */
export function selectTextNumber(state: RootState, number: string | null): string | null {
  if (number === null || !number.startsWith('+')) return null;
  if (takesTexts(number)) return number;
  const contact = selectContacts(state).find(({ numbers }) => numbers.some((each) => each.number === number));
  return contact?.numbers.find((each) => takesTexts(each.number))?.number ?? null;
}

/** The line that texts go from. */
export const textLineOf = ({ office }: RootState): string | null =>
  office.setup?.lines.find(({ texts }) => texts)?.id ?? null;

export const freeWorkId = ({ inbox }: RootState, stem: string) =>
  freeId(stem, (taken) => taken in inbox.kept.work);

export const keepNote =
  (callId: string, text: string): Act =>
  (dispatch, getState, { clock }) => {
    const at = clock.now();
    const id = freeWorkId(getState(), `note-${callId}-${at}`);
    dispatch(keepOne('work', { kind: 'note', id, at, callId, text }));
    dispatch(actDone('Note kept with the call.'));
  };

/** What a follow-up is made of; what is left out is as usual. */
export type NewFollowUp = Pick<FollowUp, 'callId' | 'number' | 'name' | 'text' | 'dueAt'> &
  Partial<Pick<FollowUp, 'priority' | 'list' | 'words'>>;

export const keepFollowUp =
  (followUp: NewFollowUp): Act =>
  (dispatch, getState, { clock }) => {
    const at = clock.now();
    const id = freeWorkId(getState(), `follow-${followUp.callId ?? 'own'}-${at}`);
    dispatch(keepOne('work', { kind: 'followUp', id, at, doneAt: null, ...plainFollowUp, ...followUp }));
    dispatch(actDone(`Kept: ${followUp.text}`));
  };

export const changeFollowUp =
  (followUp: FollowUp): Act =>
  (dispatch) => {
    dispatch(keepOne('work', followUp));
  };

export const finishFollowUp =
  (id: string, isDone: boolean): Act =>
  (dispatch, getState, { clock }) => {
    const item = getState().inbox.kept.work[id];
    if (item?.kind === 'followUp')
      dispatch(keepOne('work', { ...item, doneAt: isDone ? clock.now() : null }));
  };

export const removeWork =
  (id: string): Act =>
  (dispatch) => {
    dispatch(dropSome('work', [id]));
  };

/** For the keyboard: something for the call talked on, else for the first that is held. */
export const onCurrentCall =
  (act: (view: CallView) => Command): Act =>
  (dispatch, getState) => {
    const taken = selectTaken(getState());
    const view = taken.find(isActive) ?? taken[0];
    if (view) void dispatch(send(act(view)));
  };

export const setClock =
  (change: { moveOnMs: number } | 'stop' | 'run' | ClockSetting): Act =>
  (dispatch, _, { clock, setClock: tellOffice }) => {
    if (change === 'stop') clock.fixAt(clock.now());
    else if (change === 'run') clock.run();
    else if ('moveOnMs' in change) clock.moveOn(change.moveOnMs);
    else clock.set(change);
    dispatch(clockChanged(clock.get()));
    tellOffice(clock.get());
  };

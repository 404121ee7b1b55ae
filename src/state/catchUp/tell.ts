import { faxWords, pagesWord, type Fax } from '@/core/inbox/fax';
import { roomIdOf, type Message } from '@/core/inbox/messages';
import {
  actDone,
  identifyNumber,
  selectMyId,
  selectOffice,
  selectPeople,
  tellElsewhere,
  type AppStore,
} from '@/state/app';

/** Has the system tell what has come in while the worker is elsewhere; in the app it stands among the arrivals. */
export function tellOfTexts(store: AppStore, messages: readonly Message[]): void {
  for (const { id, direction, number, fromId, text, picture } of messages) {
    if (direction !== 'in') continue;
    const state = store.getState();
    const author = selectOffice(state).people.get(fromId ?? '')?.name;
    const room = state.catchUp.kept.rooms[roomIdOf(number) ?? ''];
    // What is written in a room that the worker has not entered is none of their business.
    if (room && !room.memberIds.includes(selectMyId(state))) continue;
    const name = author ?? identifyNumber(number, null, selectPeople(state)).name;
    void tellElsewhere(state, id, room ? `${name}, in ${room.name}` : name, text || (picture?.alt ?? ''));
  }
}

export function tellOfFaxes(store: AppStore, faxes: readonly Fax[]): void {
  for (const fax of faxes) {
    const { id, number, direction, title, pages, state } = fax;
    const { name } = identifyNumber(number, null, selectPeople(store.getState()));
    if (direction === 'in')
      void tellElsewhere(store.getState(), id, name, `fax, ${title}, ${pagesWord(pages)}`);
    if (state === 'done' || state === 'failed') store.dispatch(actDone(`Fax to ${name}: ${faxWords(fax)}`));
  }
}

export const tellOfVoicemail = (store: AppStore, id: string, name: string): void =>
  void tellElsewhere(store.getState(), id, name, 'left a voicemail');

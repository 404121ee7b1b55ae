import { faxWords, pagesWord, type Fax } from '@/core/inbox/fax';
import { roomIdOf, type Message } from '@/core/inbox/messages';
import {
  identifyNumber,
  selectMyId,
  selectOffice,
  sayInFront,
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
    const room = state.inbox.kept.rooms[roomIdOf(number) ?? ''];
    // What is written in a room that the worker has not entered is none of their business.
    if (room && !room.memberIds.includes(selectMyId(state))) continue;
    const name = author ?? identifyNumber(number, null, selectPeople(state)).name;
    const title = room ? `${name}, in ${room.name}` : name;
    store.dispatch(tellElsewhere({ kind: 'texts', tag: id, title, body: text || (picture?.alt ?? '') }));
  }
}

export function tellOfFaxes(store: AppStore, faxes: readonly Fax[]): void {
  for (const fax of faxes) {
    const { id, number, direction, title, pages, state } = fax;
    const { name } = identifyNumber(number, null, selectPeople(store.getState()));
    if (direction === 'in')
      store.dispatch(
        tellElsewhere({ kind: 'faxes', tag: id, title: name, body: `fax, ${title}, ${pagesWord(pages)}` }),
      );
    if (state === 'done' || state === 'failed')
      store.dispatch(sayInFront(`Fax to ${name}: ${faxWords(fax)}`));
  }
}

export const tellOfVoicemail = (store: AppStore, id: string, name: string): void =>
  void store.dispatch(tellElsewhere({ kind: 'voicemails', tag: id, title: name, body: 'left a voicemail' }));

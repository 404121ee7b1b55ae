import { faxWords, pagesWord, type Fax } from '@/core/fax';
import { roomIdOf, type Message } from '@/core/messages';
import {
  actDone,
  identifyNumber,
  selectOffice,
  selectPeople,
  tellElsewhere,
  type AppStore,
} from '@/state/app';

/** Says quietly what has come in: a line where the worker is, or the system's notification while they are elsewhere. */
export function tellOfTexts(store: AppStore, messages: readonly Message[]): void {
  for (const { id, direction, number, fromId, text, picture } of messages) {
    if (direction !== 'in') continue;
    const state = store.getState();
    const author = selectOffice(state).people.get(fromId ?? '')?.name;
    const room = state.catchUp.kept.rooms[roomIdOf(number) ?? ''];
    // What is written in a room that the worker has not entered is none of their business.
    if (room && !room.memberIds.includes(state.office.me?.personId ?? '')) continue;
    const name = author ?? identifyNumber(number, null, selectPeople(state)).name;
    tell(store, id, room ? `${name}, in ${room.name}` : name, text || (picture?.alt ?? ''));
  }
}

export function tellOfFaxes(store: AppStore, faxes: readonly Fax[]): void {
  for (const fax of faxes) {
    const { name } = identifyNumber(fax.number, null, selectPeople(store.getState()));
    if (fax.direction === 'in') tell(store, fax.id, name, `fax, ${fax.title}, ${pagesWord(fax.pages)}`);
    if (fax.state === 'done' || fax.state === 'failed')
      store.dispatch(actDone(`Fax to ${name}: ${faxWords(fax)}`));
  }
}

export const tellOfVoicemail = (store: AppStore, id: string, name: string): void =>
  tell(store, id, name, 'left a voicemail');

function tell(store: AppStore, id: string, name: string, words: string): void {
  store.dispatch(actDone(`${name}: ${words}`));
  void tellElsewhere(store.getState(), id, name, words);
}

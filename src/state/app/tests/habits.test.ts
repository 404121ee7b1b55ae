import {
  actMet,
  favouritesChosen,
  habitsTakenOver,
  keepDaysChosen,
  presentationChosen,
  selectCallerChoices,
  selectFavourites,
  selectKeepDays,
  selectMet,
  shownForChosen,
  shownRuleChosen,
} from '../habits';
import { keepOne } from '../inboxSlice';
import { createAppStore } from '../store';

describe('what the worker has chosen for themselves', () => {
  it('is as usual until they choose, and each choice leaves the others', () => {
    const { store } = createAppStore();
    const choices = () => selectCallerChoices(store.getState());
    expect(selectKeepDays(store.getState())).toEqual({
      ...{ voicemails: 60, texts: null, faxes: null, recordings: null },
    });
    store.dispatch(keepDaysChosen({ texts: 30 }));
    expect(selectKeepDays(store.getState())).toMatchObject({ voicemails: 60, texts: 30 });
    store.dispatch(presentationChosen({ lineId: 'field' }));
    store.dispatch(presentationChosen('withhold'));
    store.dispatch(shownForChosen({ key: 'contact:peg', shown: 'withhold' }));
    store.dispatch(shownRuleChosen({ prefix: '+44', shown: 'withhold' }));
    store.dispatch(shownRuleChosen({ prefix: '+44', shown: { lineId: 'field' } }));
    expect(choices()).toEqual({
      ...{ id: 'caller', presentedLineId: 'field', withhold: true, asks: false },
      shownFor: { 'contact:peg': 'withhold' },
      shownRules: [{ prefix: '+44', shown: { lineId: 'field' } }],
    });
    store.dispatch(shownForChosen({ key: 'contact:peg', shown: null }));
    store.dispatch(shownRuleChosen({ prefix: '+44', shown: null }));
    expect(choices()).toMatchObject({ shownFor: {}, shownRules: [] });
    store.dispatch(actMet('park'));
    store.dispatch(actMet('park'));
    expect(selectMet(store.getState())).toEqual(['park']);
  });

  it('comes from the settings of an earlier version, where nothing has been chosen since', () => {
    const { store } = createAppStore();
    store.dispatch(favouritesChosen(['contact:peg']));
    store.dispatch(
      habitsTakenOver([
        { id: 'favourites', keys: ['contact:other'] },
        { id: 'met', acts: ['move'] },
      ]),
    );
    expect(selectFavourites(store.getState())).toEqual(['contact:peg']);
    expect(selectMet(store.getState())).toEqual(['move']);
  });

  it('comes from their other device', () => {
    const { store } = createAppStore();
    store.dispatch(keepOne('habits', { id: 'favourites', keys: ['person:ilse'] }));
    expect(selectFavourites(store.getState())).toEqual(['person:ilse']);
  });
});

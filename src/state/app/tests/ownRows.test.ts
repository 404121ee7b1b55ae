import type { InboxReply, InboxRequest, SeenChange } from '@/core/office';

import { dropSome, keepOne } from '../inboxSlice';
import { OwnRows } from '../ownRows';
import { selectWork } from '../selectors';
import { createAppStore } from '../store';

const note = (text: string, id = 'n') => ({ kind: 'note' as const, id, at: 1, callId: null, text });
const told = (text: string, id = 'n'): SeenChange => ({
  ...{ table: 'personal', sort: 'work' },
  put: { ...note(text, id) },
});

/** An app whose office answers when the test says so. */
function open() {
  const { store } = createAppStore();
  const asked: { request: InboxRequest; answer: (reply: InboxReply) => Promise<void> }[] = [];
  const link = {
    ask: (request: InboxRequest) =>
      new Promise<InboxReply>((resolve) => {
        const answer = async (reply: InboxReply) => {
          resolve(reply);
          for (let turn = 0; turn < 10; turn++) await Promise.resolve();
        };
        asked.push({ request, answer });
      }),
  };
  const ownRows = new OwnRows(store, link);
  const texts = () => selectWork(store.getState()).map((item) => item.text);
  return { store, asked, ownRows, texts };
}

describe('what the worker keeps for themselves', () => {
  it('is there at once, and on its way to the office', () => {
    const { store, asked, texts } = open();
    store.dispatch(keepOne('work', note('Gate code')));
    expect(texts()).toEqual(['Gate code']);
    store.dispatch(dropSome('work', ['n']));
    expect(asked.map(({ request }) => request)).toEqual([
      { type: 'keepOwn', changes: [{ table: 'personal', sort: 'work', put: note('Gate code') }] },
      { type: 'keepOwn', changes: [{ table: 'personal', sort: 'work', gone: 'n' }] },
    ]);
  });

  it('comes from their other devices, and is not sent back', () => {
    const { asked, ownRows, texts } = open();
    ownRows.hear([told('Written at the desk'), told('Another', 'm')]);
    expect(texts()).toEqual(['Written at the desk', 'Another']);
    ownRows.hear([{ table: 'personal', sort: 'work', gone: 'n' }]);
    expect(texts()).toEqual(['Another']);
    expect(asked).toEqual([]);
  });

  it('is not undone by what comes from elsewhere while it is on its way; what is written last holds at both', async () => {
    const { store, asked, ownRows, texts } = open();
    store.dispatch(keepOne('work', note('Here')));
    store.dispatch(keepOne('work', note('Here, mended')));
    ownRows.hear([told('At the desk, before')]);
    expect(texts()).toEqual(['Here, mended']);
    await asked[0]?.answer({ ok: true });
    ownRows.hear([told('Here')]);
    expect(texts()).toEqual(['Here, mended']);
    await asked[1]?.answer({ ok: true });
    ownRows.hear([told('At the desk, after')]);
    expect(texts()).toEqual(['At the desk, after']);
  });

  it('that could not be read again is said and left out, and the rest is kept', async () => {
    const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const { store, asked, ownRows } = open();
    ownRows.takeIn(() => store.dispatch(keepOne('work', note('There already', 'old'))));
    store.dispatch({
      type: 'inbox/manyKept',
      payload: ['a', 'b'].map((id) => ({ sort: 'work', thing: note('x', id) })),
    });
    const reason = { code: 'notReadable', sort: 'work', id: 'a' } as const;
    await asked[0]?.answer({ ok: false, reason });
    expect(asked[1]?.request).toEqual({
      ...{ type: 'keepOwn', changes: [{ table: 'personal', sort: 'work', put: note('x', 'b') }] },
    });
    expect(store.getState().notices.refusal).not.toBeNull();
    quiet.mockRestore();
  });
});

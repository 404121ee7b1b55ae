import { farm, openFaxing } from './testFaxing';

const ok = { ok: true };
const refusal = (code: string, more: object = {}) => ({ ok: false, reason: { code, ...more } });

describe('faxes of an office', () => {
  it('are sent under an id once, by whoever uses the line, to a number outside', () => {
    const { faxing, ask, sendFax } = openFaxing();
    expect(sendFax('ada', 'a', 'own')).toEqual(ok);
    expect(sendFax('ada', 'a', 'own', 7)).toEqual(ok);
    expect(faxing.all.get('a')?.pages).toBe(2);
    expect(sendFax('ben', 'a', 'shared')).toEqual(refusal('idTaken'));
    expect(sendFax('ben', 'b', 'own')).toEqual(refusal('notYours', { what: 'line' }));
    expect(
      ask('ada', { type: 'sendFax', id: 'c', number: '201', lineId: 'own', title: 'P', pages: 1 }),
    ).toEqual(refusal('cannotFax', { problem: 'A fax goes to a telephone number outside.' }));
    expect([...faxing.all.keys()]).toEqual(['a']);
  });

  it('go out one at a time from each line, the oldest first', () => {
    const { faxing, sendFax, tell, now } = openFaxing();
    const next = () => faxing.nextToSend(now()).map(({ id }) => id);
    sendFax('ada', 'a', 'shared');
    sendFax('ben', 'b', 'shared');
    sendFax('ada', 'c', 'own');
    expect(next()).toEqual(['a', 'c']);
    tell({ kind: 'dialling', id: 'a' });
    expect(next()).toEqual(['c']);
    expect(faxing.underway().map(({ id }) => id)).toEqual(['a']);
    tell({ kind: 'failed', id: 'a', failure: 'busy' });
    expect(next()).toEqual(['b', 'c']);
    expect(faxing.nextSendAt(now())).toBe(now() + 60_000);
  });

  it('are seen on their way by who sends them, once sent and when they came in by whoever uses the line', () => {
    const { sendFax, tell, comesIn, sees } = openFaxing();
    sendFax('ben', 'b', 'shared', 1);
    comesIn('in', 'shared');
    comesIn('hers', 'own');
    expect(sees('ben')).toEqual(['b out waiting', 'in in received']);
    expect(sees('ada')).toEqual(['in in received', 'hers in received']);
    tell({ kind: 'dialling', id: 'b' });
    tell({ kind: 'done', id: 'b' });
    expect(sees('ada')).toEqual(['b out done', 'in in received', 'hers in received']);
    expect(sees('cleo')).toEqual([]);
  });

  it('are stopped, sent again and taken back by who sends them, as long as that can be', () => {
    const { faxing, ask, sendFax, tell, sees } = openFaxing();
    sendFax('ben', 'b', 'shared');
    expect(ask('ben', { type: 'stopFax', id: 'b' })).toEqual(refusal('notUnderway'));
    tell({ kind: 'dialling', id: 'b' });
    expect(ask('ben', { type: 'takeBackFax', id: 'b' })).toEqual(refusal('underway'));
    expect(ask('ada', { type: 'stopFax', id: 'b' })).toEqual(refusal('unknownFax'));
    expect(ask('ben', { type: 'stopFax', id: 'b' })).toEqual(ok);
    expect(ask('ben', { type: 'stopFax', id: 'b' })).toEqual(ok);
    expect([faxing.takeStops(), faxing.takeStops()]).toEqual([['b'], []]);
    tell({ kind: 'stopped', id: 'b' });
    expect(sees('ben')).toEqual(['b out stopped']);
    expect(ask('ben', { type: 'sendFaxAgain', id: 'b' })).toEqual(ok);
    expect(sees('ben')).toEqual(['b out waiting']);
    expect(ask('ben', { type: 'takeBackFax', id: 'b' })).toEqual(ok);
    expect(sees('ben')).toEqual([]);
    expect(ask('ben', { type: 'takeBackFax', id: 'b' })).toEqual(refusal('unknownFax'));
  });

  it('of a colleague can’t be stopped or taken back, though they are seen', () => {
    const { ask, sendFax, tell } = openFaxing();
    sendFax('ben', 'b', 'shared', 1);
    tell({ kind: 'dialling', id: 'b' });
    tell({ kind: 'done', id: 'b' });
    for (const type of ['stopFax', 'sendFaxAgain', 'takeBackFax'] as const)
      expect(ask('ada', { type, id: 'b' })).toEqual(refusal('notYours', { what: 'fax' }));
  });

  it('are read by each for themselves, and dropped for all only by who runs the office', () => {
    const { faxing, ask, comesIn } = openFaxing();
    comesIn('in', 'shared');
    ask('ada', { type: 'markFaxesRead', ids: ['in', 'none'] });
    ask('cleo', { type: 'markFaxesRead', ids: ['in'] });
    expect(Object.keys(faxing.all.get('in')?.readBy ?? {})).toEqual(['ada']);
    expect(ask('ada', { type: 'forgetFaxes', ids: ['in'] })).toEqual(refusal('notYours', { what: 'office' }));
    const byWhoRunsIt = openFaxing(true);
    byWhoRunsIt.comesIn('in', 'shared');
    expect(byWhoRunsIt.ask('ada', { type: 'forgetFaxes', ids: ['in', 'none'] })).toEqual(ok);
    expect(byWhoRunsIt.faxing.all.size).toBe(0);
  });

  it('of an earlier version are the worker’s, and are written anew', () => {
    const { faxing, sees } = openFaxing();
    const old = {
      id: 'x',
      at: 1,
      number: farm,
      lineId: 'own',
      title: 'Old',
      pages: 1,
      sentPages: 1,
      tries: 1,
    };
    const rest = { failure: null, notBefore: null, endedAt: 2, fromId: null, pagesUrl: null };
    const sent = { ...old, ...rest, direction: 'out', state: 'done', readAt: null } as const;
    const came = { ...old, ...rest, id: 'y', direction: 'in', state: 'received', readAt: 3 } as const;
    faxing.load([{ ofOnePerson: sent }, { ofOnePerson: came }], 'ada');
    expect(sees('ada')).toEqual(['x out done', 'y in received']);
    expect(faxing.all.get('y')).toMatchObject({ fromId: null, readBy: { ada: 3 } });
    expect(faxing.takeChanges().map(({ id }) => id)).toEqual(['x', 'y']);
    faxing.load([{ ofOnePerson: sent }], 'ada');
    expect(faxing.takeChanges()).toEqual([]);
  });
});

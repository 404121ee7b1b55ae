import type { InboxRequest } from '../../requests';
import { extensions, farm, keptOf, openWaiting } from './testWaiting';

const farms = `number:${farm}`;
const room: InboxRequest = {
  type: 'openRoom',
  id: 'weir',
  name: 'Weir',
  isOpen: false,
  memberIds: ['ada', 'ben', 'cleo'],
};

describe('who waits for somebody of the office', () => {
  it('is whoever called them in vain, until they are reached by them or by text', () => {
    const { record, talk, write, waits } = openWaiting();
    record('ada');
    expect([waits('ada'), waits('ben')]).toEqual([[`${farms} call`], []]);
    talk('ada');
    expect(waits('ada')).toEqual([]);
    record('ada');
    write('ada', farm);
    expect(waits('ada')).toEqual([]);
  });

  it('for a team waits for each of it, and for none once one of them has reached them', () => {
    const { missTeam, record, talk, waits } = openWaiting();
    missTeam();
    record('ben');
    expect([waits('ada'), waits('ben'), waits('cleo')]).toEqual([
      [`${farms} call`],
      [`${farms} call call`],
      [],
    ]);
    talk('cleo');
    expect(waits('ada')).toEqual([`${farms} call`]);
    talk('ada');
    // What they wanted of Ben alone they still want.
    expect([waits('ada'), waits('ben')]).toEqual([[], [`${farms} call`]]);
  });

  it('and has texted waits for all who use the line, and is answered by any of them', () => {
    const { textIn, write, waits } = openWaiting();
    textIn('yards');
    textIn('adas');
    expect([waits('ada'), waits('ben')]).toEqual([[`${farms} text text`], [`${farms} text`]]);
    write('ben', farm, 'At two.', { lineId: 'yards' });
    expect([waits('ada'), waits('ben')]).toEqual([[], []]);
  });

  it('is a colleague who has written, until they are written to', () => {
    const { write, waits } = openWaiting();
    write('ben', extensions.ada, 'Are you there?');
    expect([waits('ada'), waits('ben')]).toEqual([['person:ben message'], []]);
    write('ada', extensions.ben);
    expect([waits('ada'), waits('ben')]).toEqual([[], ['person:ada message']]);
  });

  it('is in a room whoever speaks to them by name, or asks to be called; what they write there answers it', () => {
    const { ask, write, waits } = openWaiting();
    ask('ada', room);
    write('ben', 'room:weir', 'The gauge is up.');
    expect([waits('ada'), waits('cleo')]).toEqual([[], []]);
    write('ben', 'room:weir', 'Ada, is it you?');
    expect([waits('ada'), waits('cleo')]).toEqual([['person:ben message'], []]);
    write('ben', 'room:weir', 'Call me.', { asks: 'callBack' });
    expect([waits('ada'), waits('cleo')]).toEqual([
      ['person:ben message callBackRequest'],
      ['person:ben callBackRequest'],
    ]);
    write('ada', 'room:weir', 'Yes.');
    expect([waits('ada'), waits('cleo')]).toEqual([[], ['person:ben callBackRequest']]);
  });

  it('is done, put off and taken back by themselves alone', () => {
    const { ask, missTeam, waits, rows, now } = openWaiting();
    missTeam();
    const handles = [farms];
    expect(ask('cleo', { type: 'closeWaiting', handles })).toEqual({ ok: true });
    expect(ask('ada', { type: 'closeWaiting', handles })).toEqual({ ok: true });
    expect([waits('ada'), waits('ben')]).toEqual([[], [`${farms} call`]]);
    ask('ada', { type: 'reopenWaiting', handles });
    expect(waits('ada')).toEqual([`${farms} call`]);
    const until = now() + 3_600_000;
    ask('ada', { type: 'putWaitingOff', handles, until });
    expect(rows().map(({ personId, snoozedUntil }) => [personId, snoozedUntil])).toEqual([
      ['ada', until],
      ['ben', null],
    ]);
  });

  it('is read from what was kept; calls that were over before are counted after it', () => {
    const first = openWaiting();
    first.missTeam();
    first.textIn('adas');
    const again = openWaiting(keptOf(first.changes), first.now());
    expect(again.rows()).toEqual(first.rows());
    // What is brought a second time is there once, and what was answered since does not come back.
    again.talk('ada');
    const brought = first.rows().filter(({ personId }) => personId === 'ada');
    const rows = brought.map(({ id: _, personId: __, closed: ___, ...row }) => row);
    again.ask('ada', { type: 'bringWaiting', rows, doneBefore: null });
    expect(again.waits('ada')).toEqual([]);
    again.record('ada');
    expect(again.waits('ada')).toEqual([`${farms} call`]);
    again.ask('ada', { type: 'bringWaiting', rows: [], doneBefore: again.now() });
    expect(again.waits('ada')).toEqual([]);
  });
});

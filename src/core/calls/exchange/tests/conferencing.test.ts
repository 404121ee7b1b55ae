import { device, openStory, threeTogether } from './story';
import { customer } from './testOffice';

describe('RFC 5359 §2.10 three-way conference, a third is added; §2.11 a third joins (ECMA-269 conference call)', () => {
  it('two calls become one, in which all hear each other', () => {
    const story = threeTogether();
    expect(story.hears()).toEqual({
      customer: 'ada-app, ben-desk',
      'ada-app': 'customer, ben-desk',
      'ben-desk': 'customer, ada-app',
    });
  });

  it('single step: a third is called into the call, which goes on meanwhile, and may not come', () => {
    const story = openStory();
    story.adaTalks(0);
    const flow = story.does({ type: 'add', legId: story.at('ada-app'), to: '201' }, 5);
    expect(flow).toEqual(['delivered ben-desk']);
    expect(story.hears()).toMatchObject({ customer: 'ada-app', 'ada-app': 'customer' });
    expect(story.does({ type: 'refuse', legId: story.at('ben-desk') }, 8)).toEqual([
      'connectionCleared ben-desk callRejected',
      'additionFailed',
    ]);
    expect(story.hears()).toEqual({ customer: 'ada-app', 'ada-app': 'customer' });
  });

  it('a third joins by a code', () => {
    const story = openStory();
    story.adaTalks(0);
    const { result } = story.send(
      { type: 'invite', legId: story.at('ada-app'), purpose: 'join', toPersonId: null },
      5,
    );
    const to = `*87${result.ok ? (result.note ?? '') : ''}`;
    expect(story.does({ type: 'make', from: device('ben-desk'), to }, 8)).toEqual(['joined ben-desk']);
    expect(story.hears()['customer']).toBe('ada-app, ben-desk');
  });

  it('one is silenced, put aside, spoken to alone, and brought back', () => {
    const story = threeTogether();
    const on = (type: 'silence' | 'unsilence' | 'putAside' | 'bringBack' | 'talkAside', where: string) =>
      story.does({ type, legId: story.at('ada-app'), otherLegId: story.at(where) }, 30);
    expect(on('silence', 'customer')).toEqual(['silenced customer']);
    expect(story.hears()).toMatchObject({ 'ben-desk': 'ada-app', customer: 'ada-app, ben-desk' });
    on('unsilence', 'customer');
    expect(on('putAside', 'customer')).toEqual(['putAside customer']);
    expect(story.hears()).toEqual({ customer: 'music', 'ada-app': 'ben-desk', 'ben-desk': 'ada-app' });
    on('bringBack', 'customer');
    expect(on('talkAside', 'ben-desk')).toEqual(['talkedAside ben-desk']);
    expect(story.hears()).toEqual({ customer: 'music', 'ada-app': 'ben-desk', 'ben-desk': 'ada-app' });
    on('bringBack', 'ben-desk');
    expect(story.hears()['customer']).toBe('ada-app, ben-desk');
  });

  it('one is dropped; who began it leaves and the others go on; it ends when one is left', () => {
    const story = threeTogether();
    story.does({ type: 'add', legId: story.at('ada-app'), to: '0131 496 0142' }, 30);
    story.does({ type: 'answer', legId: story.at('+441314960142') }, 34);
    expect(
      story.does({ type: 'drop', legId: story.at('ada-app'), otherLegId: story.at('+441314960142') }, 40),
    ).toEqual(['connectionCleared +441314960142 normalClearing']);
    expect(story.does({ type: 'clear', legId: story.at('ada-app') }, 50)).toEqual([
      'connectionCleared ada-app normalClearing',
    ]);
    expect(story.hears()).toEqual({ customer: 'ben-desk', 'ben-desk': 'customer' });
    const { events } = story.send({ type: 'clear', legId: story.at('ben-desk') }, 60);
    const records = events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []));
    // Six seconds of the leg Ada brought in.
    expect(records.map(({ personId, costMicros }) => [personId, costMicros])).toEqual([
      ['ada', 900],
      ['ben', 0],
    ]);
    expect(records[0]?.parties.map(({ number, from, to }) => [number, (to - from) / 1000])).toEqual([
      [customer.number, 60],
      ['214', 50],
      // Ben since he took up the consultation.
      ['201', 46],
      ['+441314960142', 6],
    ]);
  });

  it('holds eight and no more', () => {
    const story = openStory();
    story.adaTalks(0);
    for (let index = 0; index < 6; index++) {
      story.does({ type: 'add', legId: story.at('ada-app'), to: `0131 496 014${index}` }, 10);
      story.does({ type: 'answer', legId: story.at(`+44131496014${index}`) }, 10);
    }
    expect(story.refuses({ type: 'add', legId: story.at('ada-app'), to: '0131 496 0149' }, 11)).toBe(
      'conferenceFull',
    );
  });
});

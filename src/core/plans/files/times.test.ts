import { joinSlices } from './cpl/joinSlices';
import { mergeRules } from './cpl/mergeRules';
import { readTime, timesOf } from './times';

const today = '2026-11-26';
const read = (attributes: Record<string, string>) => readTime(attributes, today);

describe('a time of a script', () => {
  it('of weekly hours comes back as it went out', () => {
    const windows = [
      { days: [1, 2, 3], from: '08:30', to: '17:00' },
      { days: [0, 6], from: '00:00', to: '24:00' },
    ];
    const back = timesOf.windows(windows).map((time) => read(time));
    expect(back).toEqual(windows.map((window) => ({ ok: true, times: [{ hours: [window] }] })));
  });

  it('of days off comes back as it went out', () => {
    const spans = [
      { from: '2026-12-24', to: '2027-01-02' },
      { from: '2028-02-29', to: '2028-02-29' },
    ];
    const back = timesOf.days(spans).map((time) => read(time));
    expect(back).toEqual(spans.map((span) => ({ ok: true, times: [{ dates: [span] }] })));
  });

  it('that begins later, or ends one day, is bounded by its days', () => {
    const weekly = { dtstart: '20270104T090000', dtend: '20270104T100000', freq: 'weekly', byday: 'MO' };
    expect(read(weekly)).toMatchObject({ times: [{ dates: [{ from: '2027-01-04', to: '9999-12-31' }] }] });
    expect(read({ ...weekly, until: '20270201T000000' })).toMatchObject({
      times: [{ dates: [{ from: '2027-01-04', to: '2027-02-01' }] }],
    });
  });

  it.each([
    ['no beginning', {}, 'needs a dtstart'],
    ['no end', { dtstart: '20261126T080000' }, 'a dtend or a duration'],
    ['a duration that is none', { dtstart: '20261126T080000', duration: 'soon' }, 'a dtend or a duration'],
    [
      'an end before its beginning',
      { dtstart: '20261126T080000', dtend: '20261126T070000' },
      'ends before it begins',
    ],
    [
      'weekdays that are none',
      { dtstart: '20261126T080000', duration: 'PT1H', freq: 'weekly', byday: 'XX' },
      'not a list of weekdays',
    ],
    [
      'weeks that overlap',
      { dtstart: '20261126T080000', duration: 'P2D', freq: 'weekly' },
      'longer than a day',
    ],
    [
      'more than can be listed',
      {
        dtstart: '20261126T080000',
        duration: 'PT1M',
        freq: 'daily',
        interval: '1',
        bymonth: '1,2,3,4,5,6,7,8,9,10,11,12',
      },
      'more often',
    ],
  ])('with %s is refused with the reason', (_, attributes, reason) => {
    expect(read(attributes as Record<string, string>)).toMatchObject({
      ok: false,
      reason: expect.stringContaining(reason) as string,
    });
  });
});

const desk = { deviceId: 'desk', startSeconds: 0 };
const van = { deviceId: 'van', startSeconds: 0, acceptKey: true };

describe('slices of ringing', () => {
  it('under one mark are one stage, in which what goes on rings through', () => {
    const mark = { stage: 1, seconds: 0, targets: [] };
    expect(
      joinSlices([
        mark,
        { stage: 1, seconds: 5, targets: [desk] },
        { stage: 1, seconds: 20, targets: [desk, van] },
      ]),
    ).toEqual([
      {
        targets: [
          { ...desk, length: { seconds: 25 } },
          { ...van, startSeconds: 5, length: { seconds: 20 } },
        ],
        length: { seconds: 25 },
      },
    ]);
  });

  it('with a wait between them ring twice', () => {
    const [stage] = joinSlices([
      { stage: 1, seconds: 5, targets: [desk] },
      { stage: 1, seconds: 3, targets: [] },
      { stage: 1, seconds: 4, targets: [desk] },
    ]);
    expect(stage?.targets.map(({ startSeconds, length }) => [startSeconds, length])).toEqual([
      [0, { seconds: 5 }],
      [8, { seconds: 4 }],
    ]);
  });

  it('of other scripts are a stage each', () => {
    expect(
      joinSlices([
        { stage: null, seconds: 10, targets: [desk] },
        { stage: null, seconds: 10, targets: [desk] },
      ]),
    ).toHaveLength(2);
  });
});

describe('rules that do the same', () => {
  const rule = (name: string, more: object) => ({
    id: name,
    name,
    lineIds: [],
    stages: [],
    finish: { kind: 'busy' as const },
    ...more,
  });
  const hours = (from: string) => ({ when: { hours: [{ days: [1], from, to: '24:00' }] } });

  it('are one where they differ in one condition', () => {
    expect(mergeRules([rule('a', hours('08:00')), rule('a', hours('20:00'))])).toHaveLength(1);
    expect(mergeRules([rule('a', { lineIds: ['x'] }), rule('a', { lineIds: ['y'] })])[0]?.lineIds).toEqual([
      'x',
      'y',
    ]);
  });

  it('stay apart where they differ in more, or where one asks for nothing', () => {
    expect(
      mergeRules([
        rule('a', { ...hours('08:00'), lineIds: ['x'] }),
        rule('a', { ...hours('20:00'), lineIds: ['y'] }),
      ]),
    ).toHaveLength(2);
    expect(mergeRules([rule('a', hours('08:00')), rule('a', {})])).toHaveLength(2);
    expect(mergeRules([rule('a', hours('08:00')), rule('b', hours('20:00'))])).toHaveLength(2);
  });
});

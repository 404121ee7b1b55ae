import { figuresCsv } from '.';

it('figures go out as a table, lengths in seconds, and what is not known empty', () => {
  const row = {
    ...{ key: 'field', calls: 3, taken: 2, abandoned: 1, overflowed: 0, talkMs: 90_500, meanTalkMs: 45_250 },
    ...{ meanWaitMs: 12_400, medianWaitMs: 12_000, ninetiethWaitMs: null, longestWaitMs: 20_000 },
    serviceLevel: 2 / 3,
  };
  expect(figuresCsv([row], 'line', 20, () => '=Field, service').split('\r\n')[1]).toBe(
    '"\'=Field, service",3,2,1,0,12,12,,20,91,66.7',
  );
});

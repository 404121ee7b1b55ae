import fc from 'fast-check';

import { textOf } from '../voicemail';
import { readWebVtt, writeWebVtt } from '.';

describe('captions', () => {
  const word = fc.record({
    text: fc.constantFrom('weir', 'gate', '4120.', 'a<b', 'R&D', 'ünder', 'now?'),
    length: fc.integer({ min: 1, max: 2_000 }),
    pause: fc.integer({ min: 0, max: 9_000_000 }),
  });
  const transcripts = fc.array(word, { maxLength: 40 }).map((words) => {
    let ms = 0;
    return words.map(({ text, length, pause }) => {
      const from = ms + pause;
      ms = from + length;
      return { text, from: from / 1000, to: ms / 1000 };
    });
  });

  it('comes back with the same words at the same times', () => {
    fc.assert(
      fc.property(transcripts, (transcript) => {
        const read = readWebVtt(writeWebVtt(transcript));
        if (!read.ok) throw new Error(read.sentence);
        expect(textOf(read.transcript)).toBe(textOf(transcript));
        read.transcript.forEach(({ from }, index) =>
          expect(from).toBeCloseTo(transcript[index]?.from ?? NaN, 3),
        );
      }),
    );
  });

  it('of another program share their time among their words', () => {
    const read = readWebVtt(
      'WEBVTT - by hand\r\n\r\nNOTE nothing\r\n\r\nfirst\r\n00:01.000 --> 00:05.000 align:start\r\n<v Peg>the bent\r\nmast</v>\r\n',
    );
    expect(read).toEqual({
      ok: true,
      transcript: [
        { text: 'the', from: 1, to: 2.091 },
        { text: 'bent', from: 2.091, to: 3.545 },
        { text: 'mast', from: 3.545, to: 5 },
      ],
    });
  });

  it.each([
    ['1\n00:01.000 --> 00:02.000', 1],
    ['WEBVTT\n\n00:99.000 --> 00:02.000\nhello', 3],
    ['WEBVTT\n\n00:03.000 --> 00:02.000\nhello', 3],
    [`WEBVTT\n\n${'9'.repeat(400)}:00:00.000 --> ${'9'.repeat(400)}:00:02.000\nhello`, 3],
  ])('that is none is refused with its line: %j', (text, line) => {
    expect(readWebVtt(text)).toMatchObject({ ok: false, line });
  });

  it('of a hundred thousand brackets or words is read in one go', () => {
    const words = (text: string) => {
      const read = readWebVtt(`WEBVTT\n\n00:01.000 --> 00:02.000\n${text}`);
      return read.ok ? read.transcript.length : read.sentence;
    };
    expect(words('<'.repeat(100_000))).toBe(1);
    expect(words('on '.repeat(150_000))).toBe(150_000);
    expect(words(`before <${'9'.repeat(400)}:00:00.000> after`)).toBe(2);
  });
});

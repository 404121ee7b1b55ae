import { SpeakerTurns } from '.';

const stepMs = 200;

/** Says for so many seconds who speaks, and how loud one's own end is; gives the turns. */
function recorded() {
  const turns = new SpeakerTurns();
  let ms = 0;
  const said: [string, number][] = [];
  return {
    said,
    speak: (seconds: number, legIds: string[], levelDbov = -90) => {
      for (let left = seconds * 1000; left > 0; left -= stepMs) {
        ms += stepMs;
        const mine = { legId: 'me', levelDbov };
        const turn = turns.note({ legIds, mine, atMs: ms, atSeconds: ms / 1000 });
        if (turn) said.push([turn.legId, turn.atSeconds]);
      }
    },
  };
}

describe('the chapters of a recording', () => {
  it('begin with whoever speaks, one’s own voice too, near where they began', () => {
    const { said, speak } = recorded();
    speak(3, []);
    speak(5, ['ilse']);
    speak(4, [], -30);
    speak(5, ['peg']);
    expect(said.map(([who]) => who)).toEqual(['ilse', 'me', 'peg']);
    const [first, second, third] = said.map(([, at]) => at);
    // What was before belongs to the first.
    expect(first).toBe(0);
    expect(Math.abs((second ?? 0) - 8)).toBeLessThan(1);
    expect(Math.abs((third ?? 0) - 12)).toBeLessThan(1);
  });

  it('are none of a word between, of a pause, or of silence', () => {
    const { said, speak } = recorded();
    speak(5, []);
    expect(said).toEqual([]);
    speak(4, ['ilse']);
    speak(1, ['ilse', 'peg']);
    speak(3, ['ilse']);
    speak(3, []);
    speak(4, ['ilse']);
    expect(said.map(([who]) => who)).toEqual(['ilse']);
  });
});

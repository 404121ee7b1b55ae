import { Speaking } from '..';

const stepMs = 100;

/** Says for so long who is how loud, and goes on from there. */
function talk() {
  const speaking = new Speaking();
  let at = 0;
  const say = (ms: number, levels: Record<string, number>) => {
    for (let left = ms; left > 0; left -= stepMs)
      speaking.note(new Map(Object.entries(levels)), (at += stepMs));
  };
  return { speaking, say };
}

describe('who speaks', () => {
  it('is whoever is loud for longer than a cough', () => {
    const { speaking, say } = talk();
    say(200, { maren: -20 });
    say(1_000, { maren: -90 });
    expect(speaking.now).toEqual([]);
    say(600, { maren: -20, ilse: -35, hugh: -70 });
    expect(speaking.now).toEqual(['maren', 'ilse']);
  });

  it('goes on speaking through a pause between words, and not through a longer one', () => {
    const { speaking, say } = talk();
    say(500, { maren: -20 });
    say(600, { maren: -90 });
    expect(speaking.now).toEqual(['maren']);
    say(600, { maren: -90 });
    expect(speaking.now).toEqual([]);
    expect(speaking.inFront).toBe('maren');
  });

  it('comes to the front once whoever is there has finished, and not for every word', () => {
    const { speaking, say } = talk();
    say(2_000, { maren: -30 });
    say(2_000, { maren: -30, ilse: -10 });
    expect(speaking.inFront).toBe('maren');
    say(1_500, { maren: -90, ilse: -10 });
    expect(speaking.inFront).toBe('ilse');
    speaking.keepOnly(['maren']);
    expect([speaking.inFront, speaking.now]).toEqual([null, []]);
  });

  it('is nobody of whom nothing is to be heard, or who has gone', () => {
    const speaking = new Speaking();
    const all = new Map([
      ['maren', -20],
      ['ilse', -10],
    ]);
    const hear = (heard: string[], there: string[]) => {
      let said = speaking.hear(all, { heard, there }, 0);
      for (let at = stepMs; at <= 1_000; at += stepMs) said = speaking.hear(all, { heard, there }, at);
      return said;
    };
    expect(hear(['maren'], ['maren', 'ilse'])).toEqual({ legIds: ['maren'], front: 'maren' });
    expect(hear(['maren'], ['ilse'])).toEqual({ legIds: [], front: null });
  });
});

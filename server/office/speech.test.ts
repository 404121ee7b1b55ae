import { Speech } from './Speech';

/** Length in seconds of a WAVE file, as it says itself. */
const secondsOf = (file: Buffer) => file.readUInt32LE(40) / file.readUInt32LE(28);

describe('typed words', () => {
  it('are spoken as sound, longer for more of them, in their language', async () => {
    const speech = new Speech();
    const short = await speech.say({ text: 'Good morning.', language: 'en-GB' });
    const long = await speech.say({
      text: 'Good morning. This is the yard at Cawder; nobody is here until noon.',
      language: 'en-GB',
    });
    if (!short || !long) throw new Error('Nothing was spoken.');
    expect(short.toString('latin1', 0, 4) + short.toString('latin1', 8, 12)).toBe('RIFFWAVE');
    expect([short.readUInt32LE(4), short.readUInt32LE(40)]).toEqual([short.length - 8, short.length - 44]);
    expect(secondsOf(short)).toBeGreaterThan(0.4);
    expect(secondsOf(long)).toBeGreaterThan(2 * secondsOf(short));
    const welsh = await speech.say({ text: 'Good morning.', language: 'cy' });
    expect(welsh?.equals(short)).toBe(false);
  });

  it('are spoken once, however often they are asked for', async () => {
    const speech = new Speech();
    const words = { text: 'Please wait.', language: 'en' };
    expect(await speech.say(words)).toBe(await speech.say(words));
  });

  it('are no command, whatever they are', async () => {
    const text = '-f /etc/passwd; $(id) `id` <audio src="/etc/passwd"/>';
    expect(await new Speech().say({ text, language: 'en' })).not.toBeNull();
  });

  it('are not spoken where nothing speaks, in no known language, or by more than two at once', async () => {
    expect(await new Speech('no-such-program').say({ text: 'Hello', language: 'en' })).toBeNull();
    const speech = new Speech();
    expect(await speech.say({ text: 'Hello', language: 'zz-zz' })).toBeNull();
    const all = ['one', 'two', 'three'].map((text) => speech.say({ text, language: 'en' }));
    expect((await Promise.all(all)).map((sound) => sound !== null)).toEqual([true, true, false]);
    // Another time it is.
    expect(await speech.say({ text: 'three', language: 'en' })).not.toBeNull();
  });
});

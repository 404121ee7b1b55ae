import { Telling } from './Telling';

it('what somebody brings about who hears of something is heard by all after it', () => {
  const telling = new Telling<string>();
  const [first, second]: string[][] = [[], []];
  telling.subscribe((told) => {
    first?.push(told);
    if (told === 'a') telling.tell('b');
  });
  const stop = telling.subscribe((told) => second?.push(told));
  telling.tell('a');
  expect([first, second]).toEqual([
    ['a', 'b'],
    ['a', 'b'],
  ]);
  stop();
  telling.tell('c');
  expect(second).toEqual(['a', 'b']);
});

it('one who stumbles keeps nobody from hearing of the next', () => {
  const telling = new Telling<string>();
  const heard: string[] = [];
  telling.subscribe((told) => {
    if (told === 'a') throw new Error('stumbled');
    heard.push(told);
  });
  expect(() => telling.tell('a')).toThrow('stumbled');
  telling.tell('b');
  expect(heard).toEqual(['b']);
});

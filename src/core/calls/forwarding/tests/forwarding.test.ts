import * as fc from 'fast-check';

import { beginsKeyPicture, CarriedIn, Continued, ContinuedVp8, Loudest, needsForwarding, slotted } from '..';

describe('from when on it is forwarded', () => {
  it('above four pictures or eight browsers', () => {
    expect(needsForwarding({ pictures: 4, ends: 8 })).toBe(false);
    expect(needsForwarding({ pictures: 5, ends: 5 })).toBe(true);
    expect(needsForwarding({ pictures: 0, ends: 9 })).toBe(true);
  });
});

describe('slots', () => {
  const names = fc.uniqueArray(fc.constantFrom(...'abcdefgh'), { maxLength: 8 });
  it('keep what is wanted where it stands, and are filled in the order of what is wanted', () => {
    expect(slotted(['a', 'b', null], ['c', 'b'])).toEqual(['c', 'b', null]);
    expect(slotted([null, null], ['a', 'b', 'c'])).toEqual(['a', 'b']);
    fc.assert(
      fc.property(names, names, (before, wanted) => {
        const slots = slotted(slotted([null, null, null], before), wanted);
        const filled = slots.filter((each) => each !== null);
        expect(new Set(filled).size).toBe(filled.length);
        expect(filled.length).toBe(Math.min(3, wanted.length));
        expect(filled.every((each) => wanted.includes(each))).toBe(true);
        const stood = slotted([null, null, null], before);
        stood.forEach((each, at) => each !== null && wanted.includes(each) && expect(slots[at]).toBe(each));
      }),
    );
  });
});

describe('which voices are forwarded', () => {
  const everybody = new Set(['ada', 'bo', 'cy', 'di']);
  it('are the loudest, and nobody of whom nothing may be heard', () => {
    const loudest = new Loudest();
    loudest.note('ada', -30, 0);
    loudest.note('bo', -20, 0);
    loudest.note('cy', -60, 0);
    expect(loudest.choose([null, null], everybody, 0)).toEqual(['bo', 'ada']);
    expect(loudest.choose(['bo', 'ada'], new Set(['ada', 'cy']), 0)).toEqual(['cy', 'ada']);
  });
  it('stay through a pause between words, and give way to who speaks on', () => {
    const loudest = new Loudest();
    loudest.note('ada', -25, 0);
    loudest.note('bo', -28, 0);
    loudest.note('cy', -26, 600);
    expect(loudest.choose(['ada', 'bo'], everybody, 600)).toEqual(['ada', 'cy']);
    // No louder than whoever pauses for a moment.
    loudest.note('bo', -30, 700);
    expect(loudest.choose(['ada', 'cy'], everybody, 700)).toEqual(['ada', 'cy']);
    loudest.note('bo', -30, 2_000);
    expect(loudest.choose(['ada', 'cy'], everybody, 2_000)).toContain('bo');
  });
  it('are everybody, also who is silent, where there are slots for all', () => {
    expect(new Loudest().choose([null, null, null, null], everybody, 0)).toEqual([...everybody]);
  });
  it('change nothing where nobody speaks', () => {
    const slots = ['ada', 'bo'];
    expect(new Loudest().choose(slots, everybody, 10_000)).toBe(slots);
  });
});

describe('a stream of several sources', () => {
  const packet = fc.record({
    source: fc.constantFrom('one', 'two', 'three'),
    sequenceNumber: fc.nat(0xffff),
    timestamp: fc.nat(0xffffffff),
  });
  it('goes on by one where another source begins, also past the end of the numbers', () => {
    const stream = new Continued(48_000);
    expect(stream.next('one', { sequenceNumber: 65_535, timestamp: 4_294_967_000 }, 0)).toEqual({
      ...{ sequenceNumber: 65_535, timestamp: 4_294_967_000 },
    });
    expect(stream.next('two', { sequenceNumber: 7, timestamp: 1 }, 20)).toEqual({
      ...{ sequenceNumber: 0, timestamp: (4_294_967_000 + 960) >>> 0 },
    });
    // Lost on the way here, it is lost in the stream as well.
    expect(stream.next('two', { sequenceNumber: 9, timestamp: 1_921 }, 60).sequenceNumber).toBe(2);
    expect(stream.next('two', { sequenceNumber: 8, timestamp: 961 }, 61).sequenceNumber).toBe(1);
    expect(stream.next('one', { sequenceNumber: 100, timestamp: 5 }, 80).sequenceNumber).toBe(3);
  });
  it('has whole numbers within their bits, whatever comes', () => {
    fc.assert(
      fc.property(fc.array(packet), (packets) => {
        const stream = new Continued(90_000);
        packets.forEach(({ source, ...numbered }, at) => {
          const { sequenceNumber, timestamp } = stream.next(source, numbered, at * 7);
          expect(sequenceNumber).toBe(sequenceNumber & 0xffff);
          expect(timestamp).toBe(timestamp >>> 0);
        });
      }),
    );
  });
});

describe('pictures in VP8', () => {
  /** X, S; I, L, T; a number of 15 bits; TL0PICIDX; a byte for TID; the image’s first byte. */
  const packet = (pictureId: number, tl0PicIdx: number, isKey: boolean) =>
    Uint8Array.of(0x90, 0xe0, 0x80 | (pictureId >> 8), pictureId & 0xff, tl0PicIdx, 0, isKey ? 0 : 1, 9);
  it('knows where one begins that needs no other', () => {
    expect(beginsKeyPicture(packet(5, 1, true))).toBe(true);
    expect(beginsKeyPicture(packet(5, 1, false))).toBe(false);
    // Its second packet.
    expect(beginsKeyPicture(Uint8Array.of(0x80, 0xe0, 0x80, 5, 1, 0, 0))).toBe(false);
    expect(beginsKeyPicture(Uint8Array.of(0x10, 0))).toBe(true);
    expect(beginsKeyPicture(Uint8Array.of())).toBe(false);
    expect(beginsKeyPicture(Uint8Array.of(0x90, 0xe0))).toBe(false);
  });
  it('are numbered on where another source begins', () => {
    const stream = new ContinuedVp8();
    const first = packet(32_767, 255, true);
    expect(stream.next('small', first)).toBe(first);
    expect(stream.next('large', packet(100, 7, true))).toEqual(packet(0, 0, true));
    expect(stream.next('large', packet(101, 7, false))).toEqual(packet(1, 0, false));
    expect(stream.next('large', packet(103, 8, false))).toEqual(packet(3, 1, false));
    expect(stream.next('small', packet(9, 9, true))).toEqual(packet(4, 2, true));
  });
  it('leaves the bytes of a source as they came', () => {
    const stream = new ContinuedVp8();
    stream.next('one', packet(1, 1, true));
    const other = packet(900, 3, true);
    stream.next('two', other);
    expect(other).toEqual(packet(900, 3, true));
  });
});

describe('what a way carries in', () => {
  it('is not known until something gets lost; less then, and more again bit by bit', () => {
    const carried = new CarriedIn();
    carried.note({ kbps: 2_000, packets: 300, lostShare: 0 }, 2_000);
    carried.note(null, 2_000);
    expect(carried.kbps).toBeNull();
    carried.note({ kbps: 600, packets: 100, lostShare: 0.4 }, 1_000);
    expect(carried.kbps).toBe(800);
    carried.note({ kbps: 700, packets: 100, lostShare: 0.05 }, 1_000);
    expect(carried.kbps).toBe(800);
    carried.note({ kbps: 700, packets: 100, lostShare: 0 }, 1_000);
    expect(carried.kbps).toBeCloseTo(864);
  });
  it('is not taken for little since a few packets of something that begins are lost', () => {
    const carried = new CarriedIn();
    carried.note({ kbps: 20, packets: 6, lostShare: 0.5 }, 1_500);
    expect(carried.kbps).toBeNull();
    carried.note({ kbps: 90, packets: 40, lostShare: 0.2 }, 1_500);
    expect(carried.kbps).toBe(1_350);
  });
  it('can be found anew where almost nothing comes, and never runs away from what does', () => {
    const carried = new CarriedIn();
    for (let second = 0; second < 9; second++) carried.note({ kbps: 40, packets: 50, lostShare: 0.9 }, 500);
    expect(carried.kbps).toBeLessThan(50);
    for (let second = 0; second < 60; second++) carried.note({ kbps: 40, packets: 50, lostShare: 0 }, 500);
    expect(carried.kbps).toBe(200);
  });
});

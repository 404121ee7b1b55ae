import { reachOfForwarder } from './reachOfForwarder';

describe('where browsers reach what forwards', () => {
  it('is any address and port, unless it is said', () => {
    expect(reachOfForwarder()).toEqual({ addresses: [], ports: null });
    expect(reachOfForwarder('203.0.113.7, 2001:db8::7', '40000-40100')).toEqual({
      ...{ addresses: ['203.0.113.7', '2001:db8::7'], ports: [40_000, 40_100] },
    });
  });
  it('says which setting can’t be read', () => {
    expect(() => reachOfForwarder('office.example')).toThrow('CENDRO_FORWARD_ADDRESSES: “office.example”');
    for (const wrong of ['40000', '40100-40000', '40000-70000', 'a-b'])
      expect(() => reachOfForwarder('', wrong)).toThrow(`CENDRO_FORWARD_PORTS: “${wrong}”`);
  });
});

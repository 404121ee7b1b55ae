import fc from 'fast-check';

import { emptyOffice, type Line, type OfficeSetup } from '@/core/setup';
import { shownNumber, type Shown } from '.';

const line = (id: string): Line => ({
  id,
  name: id,
  number: '+441314960100',
  cord: { hue: 0, stroke: 'solid' },
  urgent: false,
  ownerId: 'maren',
});
const setupWith = (policies: Partial<OfficeSetup['policies']> = {}) => ({
  lines: ['direct', 'main', 'field'].map(line),
  policies: { ...emptyOffice.policies, ...policies },
  people: [],
  teams: [],
});
const noChoices = { presentedLineId: null, withhold: false, shownFor: {}, shownRules: [] };
const plain = {
  number: '+447700900155',
  personKey: 'contact:peg',
  isEmergency: false,
  dialledWith: undefined,
  choices: noChoices,
  setup: setupWith(),
  personId: 'maren',
  usualLineId: 'direct',
};
const field: Shown = { lineId: 'field' };

describe('the number the other side sees', () => {
  it('is the office’s for the worker, unless they chose another, or none', () => {
    expect(shownNumber(plain)).toEqual({ shown: { lineId: 'direct' }, by: 'usual' });
    const choices = { ...noChoices, presentedLineId: 'main' };
    expect(shownNumber({ ...plain, choices })).toEqual({ shown: { lineId: 'main' }, by: 'choice' });
    expect(shownNumber({ ...plain, choices: { ...choices, withhold: true } }).shown).toBe('withhold');
  });

  it('is what was remembered for this person, before what goes for such numbers, before every call', () => {
    const choices = {
      presentedLineId: 'main',
      withhold: false,
      shownFor: { 'contact:peg': field },
      shownRules: [
        { prefix: '+44', shown: { lineId: 'main' } },
        { prefix: '+447', shown: 'withhold' as const },
      ],
    };
    expect(shownNumber({ ...plain, choices })).toEqual({ shown: field, by: 'person' });
    expect(shownNumber({ ...plain, choices, personKey: null })).toEqual({
      shown: 'withhold',
      by: 'destination',
    });
    expect(shownNumber({ ...plain, choices, personKey: null, number: '+12025550147' }).by).toBe('choice');
  });

  it('is what was chosen for this one call, before what was remembered', () => {
    const choices = { ...noChoices, shownFor: { 'contact:peg': { lineId: 'main' } } };
    expect(shownNumber({ ...plain, choices, chosenOnce: field })).toEqual({ shown: field, by: 'onceChosen' });
    expect(shownNumber({ ...plain, choices, chosenOnce: field, dialledWith: true }).by).toBe('thisCall');
  });

  it('is decided for one call by the prefix that was dialled', () => {
    const choices = { ...noChoices, withhold: true };
    expect(shownNumber({ ...plain, dialledWith: true }).by).toBe('thisCall');
    expect(shownNumber({ ...plain, choices, dialledWith: false }).shown).toEqual({ lineId: 'direct' });
  });

  it('is what the office’s policy says, and never withheld where it must not be', () => {
    const abroad = setupWith({ presented: [{ prefix: '+1', lineId: 'main' }], mayWithhold: false });
    const choices = { ...noChoices, withhold: true, presentedLineId: 'field' };
    expect(shownNumber({ ...plain, setup: abroad, choices, number: '+12025550147' })).toEqual({
      shown: { lineId: 'main' },
      by: 'office',
    });
    expect(shownNumber({ ...plain, setup: abroad, choices })).toEqual({
      shown: { lineId: 'direct' },
      by: 'mustShow',
    });
  });

  it('always is a line that exists, and a number in an emergency, whatever was chosen', () => {
    const shown = fc.option(fc.constantFrom<Shown>('withhold', { lineId: 'main' }, { lineId: 'gone' }));
    fc.assert(
      fc.property(
        shown,
        shown,
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        (person, rule, withhold, isEmergency, may) => {
          const answer = shownNumber({
            ...plain,
            isEmergency,
            setup: setupWith({ mayWithhold: may }),
            choices: {
              presentedLineId: 'gone',
              withhold,
              shownFor: person ? { 'contact:peg': person } : {},
              shownRules: rule ? [{ prefix: '+4', shown: rule }] : [],
            },
          });
          if (answer.shown === 'withhold') expect(may && !isEmergency).toBe(true);
          else expect(['direct', 'main', 'field']).toContain(answer.shown.lineId);
        },
      ),
    );
  });
});

import type { Contact } from '@/core/people/contacts';

const contact = (
  id: string,
  name: string,
  firm: string | null,
  ...numbers: [label: string, number: string][]
): Contact => ({
  id,
  name,
  firm,
  numbers: numbers.map(([label, number]) => ({ label, number })),
});

/** People outside the office. Numbers only from the ranges kept free for drama. */
export const sampleContacts: Contact[] = [
  contact('bexhollow', 'Bexhollow Reservoir', 'Gate house', ['gate house', '+441314960142']),
  contact('skerrow', 'Skerrow Harbour', 'Harbour office', ['office', '+441914980117']),
  contact('peg', 'Peg Anstey', 'Lathmoor Farm', ['home', '+441174960155'], ['mobile', '+447700900155']),
  contact('angling', 'Three Becks Angling Club', 'Water bailiff', ['bailiff', '+447700900333']),
  contact('cawder', 'Cawder Flood Watch', null, ['watch room', '+441914980162']),
  contact('hallin', 'Hallin Rigg Fell Race', 'Race control', ['race control', '+447700900482']),
  contact('marl', 'Marl & Finch Surveyors', null, ['office', '+441174960171']),
  contact('glenbrae', 'Glenbrae Weather Cooperative', null, ['office', '+441314960188']),
  contact(
    'battery',
    'Corvane Cells',
    'Battery supplier',
    ['sales', '+12025550147'],
    ['depot', '+61491570156'],
  ),
];

/** A number that is in nobody's book. */
export const unknownMobile = '+447700900777';

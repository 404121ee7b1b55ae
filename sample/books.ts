import { emptyFields, type Fields } from '@/core/people/contacts';
import type { Book, BookEntry } from '@/office/sources';

const is = (key: string, name: string, fields: Partial<Fields>): BookEntry => ({
  key,
  fields: { ...emptyFields(), name, ...fields },
});
const gone = (key: string): BookEntry => ({ key, fields: null });
const phone = (label: string, number: string, tail?: string) => ({ label, number, ...(tail && { tail }) });

/** The address books that contacts can be brought in from; some of their people are in the office's list too. */
export const sampleBooks: readonly Book[] = [
  {
    id: 'phoneBook',
    name: 'Phone’s address book',
    about: 'What you keep on your own mobile.',
    entries: [
      is('p1', 'P. Anstey', {
        firm: 'Lathmoor Farm',
        numbers: [phone('mobile', '+447700900155')],
        note: 'Dog called Moss. Use the lower gate.',
      }),
      is('p2', 'Mum', { numbers: [phone('home', '+441914980120')] }),
      is('p3', 'Garage (Fenwick)', { numbers: [phone('work', '+441914980133')] }),
      is('p4', 'Rowan Ashby', { numbers: [phone('mobile', '+447700900461')], groups: ['Climbing'] }),
      is('p5', 'Zoë Lindqvist', { firm: 'Hallin Rigg', numbers: [phone('mobile', '+447700900482')] }),
      is('p6', 'Dr Imre Szabó', { numbers: [phone('surgery', '+441314960177')] }),
    ],
    later: [
      is('p7', 'New neighbour', { numbers: [phone('home', '+441174960139')] }),
      is('p4', 'Rowan Ashby', { numbers: [phone('mobile', '+447700900462')], groups: ['Climbing'] }),
      gone('p3'),
    ],
  },
  {
    id: 'mailAccount',
    name: 'Mail account',
    about: 'Whom you have written to from the office’s mail.',
    entries: [
      is('m1', 'Peg Anstey', { mails: ['peg@lathmoor.example'], places: ['Lathmoor Farm, Upper Lathmoor'] }),
      is('m2', 'Ida Marl', {
        firm: 'Marl & Finch Surveyors',
        mails: ['ida@marlfinch.example'],
        numbers: [phone('direct', '+441174960171', ';ext=12')],
      }),
      is('m3', 'Jonas Finch', {
        firm: 'Marl & Finch Surveyors',
        mails: ['jonas@marlfinch.example'],
        numbers: [phone('direct', '+441174960171', ';ext=14')],
      }),
      is('m4', 'Corvane Cells', {
        mails: ['orders@corvane.example'],
        numbers: [phone('sales', '+12025550147')],
      }),
      is('m5', 'Glenbrae Weather Cooperative', { mails: ['desk@glenbrae.example'] }),
    ],
    later: [
      is('m6', 'Thora Blyth', { firm: 'Skerrow Harbour', mails: ['thora@skerrow.example'] }),
      is('m5', 'Glenbrae Weather Cooperative', { mails: ['data@glenbrae.example'] }),
      gone('m4'),
    ],
  },
  {
    id: 'customerList',
    name: 'Customer list',
    about: 'The firm’s own, kept by Odile Marchetti in accounts.',
    entries: [
      is('c101', 'Lathmoor Farm', { numbers: [phone('home', '+441174960155')], groups: ['Landowners'] }),
      is('c102', 'Bexhollow Reservoir', {
        firm: 'Gate house',
        numbers: [phone('gate house', '+441314960142'), phone('manager', '+441314960143')],
        groups: ['Reservoirs'],
        places: ['Dam Road, Bexhollow'],
      }),
      is('c103', 'Esk Valley Mill', { numbers: [phone('office', '+441914980151')], groups: ['Landowners'] }),
      is('c104', 'Thornbeck Hydro', { numbers: [phone('control', '+441314960166')], groups: ['Power'] }),
      is('c105', 'Ravensgill Primary School', { numbers: [phone('office', '+441914980158')] }),
      is('c106', 'Upper Wharrel Parish', { numbers: [phone('clerk', '+441174960128')] }),
      is('c107', 'Blackrow Quarry', {
        numbers: [phone('weighbridge', '+441914980164')],
        groups: ['Landowners'],
      }),
      is('c108', 'Oakshaw Estate', { numbers: [phone('keeper', '+447700900518')], groups: ['Landowners'] }),
      is('c109', 'Wharrel Rescue Team', { numbers: [phone('duty', '+447700900540')] }),
    ],
    later: [
      is('c110', 'Cawder Bridge Inn', { numbers: [phone('bar', '+441914980170')] }),
      is('c104', 'Thornbeck Hydro Ltd', { numbers: [phone('control', '+441314960166')], groups: ['Power'] }),
      gone('c105'),
    ],
  },
];

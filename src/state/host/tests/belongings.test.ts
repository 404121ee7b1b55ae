import { sampleCast, sampleOffice } from '@sample';

import { Clock } from '@/office/clock';
import { HostedOffice } from '@/office/hosted';

import { keptKinds } from '../../kept';
import { readBelongings, Vault, workKinds } from '../../storage';
import { memoryBackend } from '../../storage/tests/memoryBackend';
import { Belongings } from '../belongings';

const kinds = { ...workKinds, ...keptKinds };
const card = {
  ...{ id: 'in-1-0', name: 'Peg Anstey', firm: null, mails: [], places: [], groups: [], note: 'Moss' },
  ...{ numbers: [{ label: 'home', number: '+441174960155' }], photo: null, kept: [] },
  ...{ sourceId: 'own', sourceKey: null },
};
const note = { kind: 'note', id: 'n', at: 1, callId: null, text: 'Gate code 4120' };

/** As the version before wrote it, when an office had one person. */
const before = () =>
  new Map([
    ['contact/own-cards-1', `{"v":2}\n${JSON.stringify({ id: 'own-cards-1', cards: [card] })}`],
    ['freeWatch/ilse', '{"v":1}\n{"id":"ilse","since":1,"thenCall":true}'],
    ['work', `{"v":2}\n${JSON.stringify(note)}`],
  ]);

/** An office over storage in memory. */
async function open(entries: Map<string, string>) {
  const backend = memoryBackend(entries);
  const said: number[] = [];
  const vault = new Vault(
    () => undefined,
    ({ count }) => said.push(count),
    backend,
  );
  const belongings = new Belongings(vault);
  const office = new HostedOffice({
    ...{ setup: sampleOffice, cast: sampleCast, clock: new Clock({ mode: 'fixed', at: 1 }) },
    keep: ({ rows }) => vault.write(belongings.entriesOf(rows).put),
  });
  await belongings.open(office, await readBelongings(vault, kinds), true);
  await vault.flush();
  const { personal } = await office.inbox();
  return { rows: [...personal.all.values()], said };
}

it('what the version before kept is its one person’s, under their name, once and for all', async () => {
  const entries = before();
  const first = await open(entries);
  expect([...entries.keys()].sort()).toEqual([
    'contact/maren/own-cards-1',
    'freeWatch/maren/ilse',
    'work/maren/n',
  ]);
  const again = await open(entries);
  const inOrder = (rows: typeof first.rows) => [...rows].sort((a, b) => (a.sort < b.sort ? -1 : 1));
  expect(inOrder(again.rows)).toEqual(inOrder(first.rows));
  expect(inOrder(again.rows)).toEqual([
    { ownerId: 'maren', sort: 'freeWatches', row: { id: 'ilse', since: 1, thenCall: true } },
    { ownerId: 'maren', sort: 'people', row: { id: 'own-cards-1', cards: [card] } },
    { ownerId: 'maren', sort: 'work', row: note },
  ]);
  expect([...first.said, ...again.said]).toEqual([]);
});

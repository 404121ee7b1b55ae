import { useRouter, type Href } from 'expo-router';
import { useMemo } from 'react';

import { leadAfterPaint } from './afterPaint';

const lineOf = (at: string | undefined) =>
  at === undefined ? ('' as const) : (`?at=${encodeURIComponent(at)}` as const);

/** The ways through the app, so that no screen writes an address. */
export function useGo() {
  const router = useRouter();
  return useMemo(() => {
    const lead = (href: Href) => leadAfterPaint(() => router.navigate(href));
    return {
      /** To where one came from; at the very first screen, to who waits. */
      back: () => (router.canGoBack() ? leadAfterPaint(() => router.back()) : lead('/')),
      loose: () => lead('/'),
      /** `at`: the id of the line that is to be in view. */
      person: (key: string, at?: string) => lead(`/person/${encodeURIComponent(key)}${lineOf(at)}`),
      rooms: () => lead('/rooms'),
      room: (id: string, at?: string) => lead(`/rooms/${encodeURIComponent(id)}${lineOf(at)}`),
      everything: () => lead('/everything'),
      record: (id: string) => lead(`/everything/${id}`),
      dial: () => lead('/dial'),
      call: () => lead('/call'),
      standing: () => lead('/standing'),
      plan: () => lead('/plan'),
      greetings: () => lead('/plan?see=greetings'),
      directory: () => lead('/directory'),
      office: () => lead('/office'),
      /** Where a choice stands there, by its heading. */
      choice: (heading: string) => lead(`/office?at=${encodeURIComponent(heading)}`),
      officePart: (
        part:
          | 'people'
          | 'lines'
          | 'teams'
          | 'menus'
          | 'conferences'
          | 'findings'
          | 'route'
          | 'figures'
          | 'rules'
          | 'many'
          | 'port'
          | 'log',
      ) => lead(`/office/${part}`),
      /** `id`: "new" for what is not there yet. */
      officeForm: (part: 'people' | 'lines' | 'teams' | 'menus' | 'conferences', id: string) =>
        lead(`/office/${part}/${encodeURIComponent(id)}`),
      begin: () => lead('/begin'),
      devices: () => lead('/devices'),
      ready: () => lead('/ready'),
      place: () => lead('/place'),
      settings: () => lead('/settings'),
      telling: () => lead('/telling'),
      tones: () => lead('/tones'),
      connection: () => lead('/connection'),
      voicemails: () => lead('/voicemails'),
      notes: () => lead('/notes'),
      followUps: () => lead('/followups'),
      faxes: () => lead('/fax'),
      fax: (id: string) => lead(`/fax/${encodeURIComponent(id)}`),
      newFax: (to: string | null) => lead(to === null ? '/fax/new' : `/fax/new?to=${encodeURIComponent(to)}`),
      newContact: (number: string | null) =>
        lead(number === null ? '/contact' : `/contact?number=${encodeURIComponent(number)}`),
      editContact: (id: string) => lead(`/contact?id=${encodeURIComponent(id)}`),
      alike: () => lead('/alike'),
      sources: () => lead('/sources'),
      importPeople: () => lead('/import'),
      archive: () => lead('/archive'),
      outside: () => lead('/outside'),
    };
  }, [router]);
}

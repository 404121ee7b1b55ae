import { useRouter } from 'expo-router';
import { useMemo } from 'react';

const lineOf = (at: string | undefined) =>
  at === undefined ? ('' as const) : (`?at=${encodeURIComponent(at)}` as const);

/** The ways through the app, so that no screen writes an address. */
export function useGo() {
  const router = useRouter();
  return useMemo(
    () => ({
      /** To where one came from; at the very first screen, to who waits. */
      back: () => (router.canGoBack() ? router.back() : router.navigate('/')),
      loose: () => router.navigate('/'),
      /** `at`: the id of the line that is to be in view. */
      person: (key: string, at?: string) =>
        router.navigate(`/person/${encodeURIComponent(key)}${lineOf(at)}`),
      rooms: () => router.navigate('/rooms'),
      room: (id: string, at?: string) => router.navigate(`/rooms/${encodeURIComponent(id)}${lineOf(at)}`),
      everything: () => router.navigate('/everything'),
      record: (id: string) => router.navigate(`/everything/${id}`),
      dial: () => router.navigate('/dial'),
      call: () => router.navigate('/call'),
      standing: () => router.navigate('/standing'),
      plan: () => router.navigate('/plan'),
      directory: () => router.navigate('/directory'),
      office: () => router.navigate('/office'),
      telling: () => router.navigate('/telling'),
      voicemails: () => router.navigate('/voicemails'),
      notes: () => router.navigate('/notes'),
      followUps: () => router.navigate('/followups'),
      faxes: () => router.navigate('/fax'),
      fax: (id: string) => router.navigate(`/fax/${encodeURIComponent(id)}`),
      newFax: (to: string | null) =>
        router.navigate(to === null ? '/fax/new' : `/fax/new?to=${encodeURIComponent(to)}`),
      newContact: (number: string | null) =>
        router.navigate(number === null ? '/contact' : `/contact?number=${encodeURIComponent(number)}`),
      editContact: (id: string) => router.navigate(`/contact?id=${encodeURIComponent(id)}`),
      alike: () => router.navigate('/alike'),
      sources: () => router.navigate('/sources'),
      importPeople: () => router.navigate('/import'),
      archive: () => router.navigate('/archive'),
      outside: () => router.navigate('/outside'),
    }),
    [router],
  );
}

import { useRouter } from 'expo-router';
import { useMemo } from 'react';

/** The ways through the app, so that no screen writes an address. */
export function useGo() {
  const router = useRouter();
  return useMemo(
    () => ({
      loose: () => router.navigate('/'),
      everything: () => router.navigate('/everything'),
      record: (id: string) => router.navigate(`/everything/${id}`),
      dial: () => router.navigate('/dial'),
      call: () => router.navigate('/call'),
      standing: () => router.navigate('/standing'),
      plan: () => router.navigate('/plan'),
      directory: () => router.navigate('/directory'),
      office: () => router.navigate('/office'),
      outside: () => router.navigate('/outside'),
    }),
    [router],
  );
}

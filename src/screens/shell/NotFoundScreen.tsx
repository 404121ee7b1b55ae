import { usePathname, useRouter } from 'expo-router';

import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';

/** An address of Cendro that leads nowhere: which one, and the way back to who waits. */
export function NotFoundScreen() {
  const path = usePathname();
  const router = useRouter();
  return (
    <EmptyState
      level={1}
      title="Nothing here"
      sentence={`Cendro has no page at ${path}. Your calls go on as they were.`}
    >
      <Plate kind="main" word="To the loose ends" onPress={() => router.replace('/')} />
    </EmptyState>
  );
}

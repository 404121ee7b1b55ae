import { useEffect, useState, type ComponentType } from 'react';

import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';

interface LaterScreenProps {
  title: string;
  /** Fetches the screen; the same function at every drawing. */
  fetch: () => Promise<ComponentType>;
}

/** A screen that doesn't weigh on the start: fetched when it is first asked for, or told that it can't be now. */
export function LaterScreen({ title, fetch }: LaterScreenProps) {
  const [Screen, setScreen] = useState<ComponentType | null>(null);
  const [failures, setFailures] = useState(0);
  const [tries, setTries] = useState(1);
  useEffect(() => {
    let isGone = false;
    fetch().then(
      (found) => isGone || setScreen(() => found),
      () => isGone || setFailures(tries),
    );
    return () => {
      isGone = true;
    };
  }, [fetch, tries]);
  if (Screen) return <Screen />;
  if (failures < tries) return <EmptyState level={1} title={title} sentence="It is being fetched." />;
  return (
    <EmptyState
      level={1}
      title={title}
      sentence="This part of the app has not been fetched, and there is no network now. Everything else goes on."
    >
      <Plate kind="main" word="Try again" onPress={() => setTries(tries + 1)} />
    </EmptyState>
  );
}

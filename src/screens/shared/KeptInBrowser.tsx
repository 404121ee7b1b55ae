import type { ReactNode } from 'react';

import { isServed } from '@/state/offices';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';

import { useGo } from './useGo';

/** What there is only where this browser keeps the office itself; of one on a server it is said that it is not. */
export function KeptInBrowser({
  isThere = !isServed(),
  children,
}: {
  isThere?: boolean;
  children: ReactNode;
}) {
  const go = useGo();
  if (isThere) return children;
  return (
    <EmptyState
      level={1}
      title="Not in this office"
      sentence="It is kept on a server, whose keeper sees to that. Nothing is missing here."
    >
      <Plate kind="main" word="Office" onPress={go.office} />
    </EmptyState>
  );
}

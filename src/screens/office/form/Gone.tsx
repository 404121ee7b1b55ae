import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';

import { useGo } from '../../shared/useGo';

/** What was to be changed is not there, or only whoever runs the office may see it. */
export function Gone({ what }: { what: string }) {
  const go = useGo();
  return (
    <EmptyState level={1} title="Not here" sentence={what}>
      <Plate kind="main" word="Office" onPress={go.office} />
    </EmptyState>
  );
}

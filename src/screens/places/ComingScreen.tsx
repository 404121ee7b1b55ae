import { EmptyState } from '@/ui/notice';

interface ComingScreenProps {
  title: string;
  sentence: string;
}

/** A place that is not built yet says in one sentence what will be there. */
export function ComingScreen({ title, sentence }: ComingScreenProps) {
  return <EmptyState level={1} title={title} sentence={sentence} />;
}

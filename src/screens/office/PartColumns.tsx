import type { ReactNode } from 'react';

import { EmptyState } from '@/ui/notice';

import { Columns } from '../shared/Columns';
import { PartList } from './PartList';
import { officeParts, type OfficePart } from './parts';

interface PartColumnsProps {
  part: OfficePart;
  /** The form of one of it, and whose it is; left out: none is opened. */
  children?: ReactNode;
  openId?: string;
}

/** One part of the office, and the form of what was opened of it: beside it where there is room, in its place on a phone. */
export function PartColumns({ part, children, openId }: PartColumnsProps) {
  const { title, choose } = officeParts[part];
  return (
    <Columns
      list={<PartList part={part} openId={openId ?? null} />}
      detail={children ?? <EmptyState title={title} sentence={choose} />}
      narrow={children === undefined ? 'list' : 'detail'}
    />
  );
}

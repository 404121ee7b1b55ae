import { useLocalSearchParams } from 'expo-router';
import type { ComponentType } from 'react';

import { selectOffice, useAppSelector } from '@/state/app';
import { selectRunsOffice } from '@/state/configuration';

import { PartColumns } from '../PartColumns';
import type { OfficePart } from '../parts';
import { Gone } from './Gone';

interface OpenedProps {
  part: OfficePart;
  Form: ComponentType<{ id: string }>;
  /** Said where what the address names is not there any more. */
  gone: string;
}

/** The form of what the address names, or of what is new. */
export function Opened({ part, Form, gone }: OpenedProps) {
  const { id } = useLocalSearchParams<{ id: string }>();
  const isHere = useAppSelector((state) => id === 'new' || selectOffice(state)[part].has(id));
  const runs = useAppSelector(selectRunsOffice);
  if (!runs) return <Gone what="Only whoever runs the office sees this." />;
  return (
    <PartColumns part={part} openId={id}>
      {isHere ? <Form key={id} id={id} /> : <Gone what={gone} />}
    </PartColumns>
  );
}

import { useCallback, useEffect, useState } from 'react';

import type { ConnectionTest } from '@/core/calls/quality';
import { actDone, actRefused, useAppDispatch, useServices } from '@/state/app';
import {
  forgetTest,
  keepTest,
  placeOfTest,
  readTests,
  testConnection,
  type TestStep,
} from '@/state/connection';

import { offerUndo } from '../shared/undoOffer';

/** The tests of this device, newest first, and what can be done with them; null: they are being read. */
export function useTests() {
  const dispatch = useAppDispatch();
  const { vault } = useServices();
  const [tests, setTests] = useState<ConnectionTest[] | null>(null);
  const [step, setStep] = useState<TestStep | null>(null);
  const [last, setLast] = useState<ConnectionTest | null>(null);
  const take = useCallback(
    (change: Promise<ConnectionTest[]>) =>
      change.then(setTests, () => {
        setTests((before) => before ?? []);
        dispatch(actRefused('The tests of this device can’t be read or kept now.'));
      }),
    [dispatch],
  );
  useEffect(() => {
    if (vault) void take(readTests(vault));
  }, [vault, take]);
  const run = async (place: string) => {
    setStep('link');
    try {
      const test = { ...(await dispatch(testConnection(setStep))), place };
      setLast(test);
      if (vault) await take(keepTest(vault, test));
    } catch {
      dispatch(actRefused('This browser does not let the connection be tested.'));
    } finally {
      setStep(null);
    }
  };
  const name = (test: ConnectionTest, place: string) => {
    if (last?.id === test.id) setLast({ ...test, place });
    if (vault) void take(placeOfTest(vault, test.id, place));
  };
  const forget = (test: ConnectionTest) => {
    if (!vault) return;
    void take(forgetTest(vault, test.id));
    const said = 'The test is forgotten.';
    dispatch(actDone(said));
    offerUndo({ said, what: 'the test back', undo: () => void take(keepTest(vault, test)) });
  };
  return { tests, step, last, run, name, forget };
}

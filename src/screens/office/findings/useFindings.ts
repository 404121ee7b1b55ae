import { useEffect, useMemo, useState } from 'react';

import type { Finding } from '@/core/plans/checks';
import { officeProblems, type OfficeProblem } from '@/core/setup/changes';
import { selectOffice, useAppSelector, useServices } from '@/state/app';
import { checkOfficeBeside } from '@/workers/checkOfficeBeside';

interface Findings {
  /** What is wrong with how the office is configured. */
  problems: readonly OfficeProblem[];
  /** Where calls would be lost by somebody's plan, as far as that has been looked at. */
  lost: readonly Finding[];
  /** How far that is. */
  looked: 'notYet' | 'done' | 'cannot';
}

/** What is wrong with the office as it is now; looked at anew when it is changed. */
export function useFindings(): Findings {
  const { setup } = useAppSelector(selectOffice);
  const signedIn = useAppSelector((state) => state.office.signedIn);
  const { clock } = useServices();
  const [found, setFound] = useState<Pick<Findings, 'lost' | 'looked'>>({ lost: [], looked: 'notYet' });
  const problems = useMemo(() => officeProblems(setup), [setup]);
  useEffect(
    () =>
      checkOfficeBeside({ setup, signedIn, now: clock.now() }, (findings) =>
        setFound({
          lost: findings?.filter(({ severity }) => severity === 'alarm') ?? [],
          looked: findings ? 'done' : 'cannot',
        }),
      ),
    [setup, signedIn, clock],
  );
  return { problems, ...found };
}

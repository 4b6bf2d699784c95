import type { JobDetail } from '@zephyrcombe/contract';
import { useOutletContext, useSearchParams } from 'react-router';

/** The job whose stages are shown, handed down by the job page. */
export const useJob = (): JobDetail => useOutletContext<JobDetail>();

/** What is selected lives in the address: a link to a joint is a link to that joint. */
export function useSelection(): {
  readonly hoseId: string | null;
  readonly jointId: string | null;
  readonly select: (next: Readonly<Record<string, string>>) => void;
} {
  const [search, setSearch] = useSearchParams();
  return {
    hoseId: search.get('hose'),
    jointId: search.get('joint'),
    select: (next) =>
      setSearch(
        (before) => {
          const after = new URLSearchParams(before);
          for (const [key, value] of Object.entries(next)) after.set(key, value);
          return after;
        },
        { replace: true },
      ),
  };
}

/** Why a job that is signed off or abandoned takes nothing more. */
export const CLOSED = 'This job is closed: its record stays as it is.';

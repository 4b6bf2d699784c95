import { useSearchParams } from 'react-router';
import { useCrumb } from '../../app/crumb.ts';
import { Fine, Head, Page, Stack } from '../../design/layout.ts';
import { ThreadFinder } from './ThreadFinder.tsx';
import { readState, writeState } from './threadState.ts';

/** The thread finder on the bench: no job needed, everything in the address. */
export function ThreadFinderPage() {
  useCrumb('Thread finder');
  const [query, setQuery] = useSearchParams();
  return (
    <Page>
      <Stack $gap={16}>
        <div>
          <Head>Which thread is this?</Head>
          <Fine>
            From what a calliper, a comb and a hand can tell. The part itself decides, never the model year;
            the vehicle maker’s manual comes first.
          </Fine>
        </div>
        <ThreadFinder
          state={readState(query)}
          onState={(state) => setQuery((before) => writeState(state, before), { replace: true })}
        />
      </Stack>
    </Page>
  );
}

import { Link, useSearchParams } from 'react-router';
import { useCrumb } from '../../app/crumb.ts';
import { Fine, Head, Page, Stack } from '../../design/layout.ts';
import { readHelper, whyOf, writeHelper } from './helperState.ts';
import { SymptomHelper } from './SymptomHelper.tsx';

/** The symptom helper on the bench: no job needed, everything in the address. */
export function SymptomsPage() {
  useCrumb('Symptoms');
  const [query, setQuery] = useSearchParams();
  const state = readHelper(query);
  return (
    <Page>
      <Stack $gap={16}>
        <div>
          <Head>What is wrong with this brake?</Head>
          <Fine>
            From what it does to what can be behind it, and how to tell. The vehicle maker’s manual comes
            first.
          </Fine>
        </div>
        {state.symptoms.length === 0 ? null : (
          <Link to={`/jobs/new?${new URLSearchParams({ why: whyOf(state) }).toString()}`}>
            Start a job for what it does
          </Link>
        )}
        <SymptomHelper
          state={state}
          onState={(state) => setQuery((before) => writeHelper(state, before), { replace: true })}
        />
      </Stack>
    </Page>
  );
}

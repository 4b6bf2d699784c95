/** The head line of every page, who is signed in, and the way to units, paper and keys. */
import { ownTimeZone } from '@zephyrcombe/contract';
import { UNITS } from '@zephyrcombe/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Link, Navigate, Outlet, useLocation, useMatches, useNavigate } from 'react-router';
import styled from 'styled-components';
import type { ApiError } from '../api/client.ts';
import { call } from '../api/client.ts';
import { sessionQuery } from '../api/queries.ts';
import { LoadProblem } from '../api/LoadProblem.tsx';
import { TextButton } from '../design/Button.tsx';
import { Page, Unseen } from '../design/layout.ts';
import { FONT, PHONE, SIZE, colour } from '../design/tokens.ts';
import { CrumbContext } from './crumb.ts';
import { PersonContext, TimeZoneContext } from './SessionContext.ts';
import { ShortcutSheet } from './ShortcutSheet.tsx';
import { useKeptFocus } from './useKeptFocus.ts';
import { useNewPage } from './useNewPage.ts';
import { useShortcuts } from './useShortcuts.ts';

/** Opened now and then: not part of what every page waits for. */
const SettingsDialog = lazy(async () => ({ default: (await import('./SettingsDialog.tsx')).SettingsDialog }));

const Bar = styled.header`
  display: flex;
  align-items: center;
  gap: 4px 18px;
  min-height: 44px;
  padding: 4px 34px;
  border-bottom: 1px solid ${colour('hairline')};
  ${PHONE} {
    padding: 2px 16px;
    gap: 10px;
  }
  nav {
    display: flex;
    gap: 4px 18px;
    align-items: center;
    min-width: 0;
    flex: 1;
  }
  a {
    color: ${colour('ink')};
    text-decoration: none;
    min-height: 32px;
    display: inline-flex;
    align-items: center;
    ${PHONE} {
      min-height: 44px;
      min-width: 44px;
      flex: none;
      padding: 0;
      margin: 0;
    }
  }
  a:hover {
    text-decoration: underline;
  }
  .slash {
    color: ${colour('hairline')};
  }
  .here {
    font-weight: 650;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  ${PHONE} {
    .slash,
    .name {
      display: none;
    }
    .here {
      font-size: ${SIZE.small};
    }
  }
`;

const Brand = styled(Link)`
  font-size: ${SIZE.large};
  font-weight: 700;
`;

const UnitsButton = styled(TextButton)`
  font-family: ${FONT.figures};
  color: ${colour('ink')};
  text-decoration: none;
  min-height: 44px;
  ${PHONE} {
    font-size: ${SIZE.fine};
  }
`;

const KeyButton = styled(TextButton)`
  border: 1px solid ${colour('hairline')};
  min-width: 32px;
  color: ${colour('ink')};
  text-decoration: none;
  ${PHONE} {
    display: none;
  }
`;

const Skip = styled.a`
  position: absolute;
  left: -999px;
  &:focus {
    left: 16px;
    top: 6px;
    background: ${colour('sheet')};
    padding: 6px 12px;
    z-index: 5;
  }
`;

export function Shell() {
  const session = useQuery(sessionQuery);
  const location = useLocation();
  const navigate = useNavigate();
  useNewPage();
  useKeptFocus();
  const client = useQueryClient();
  const matches = useMatches();
  const [panel, setPanel] = useState<'units' | 'keys' | null>(null);
  const [crumb, setCrumb] = useState<string | null>(null);
  const [hasSignedOut, setSignedOut] = useState(false);
  const signOut = useMutation<unknown, ApiError>({
    mutationFn: () => call('signOut'),
    onSuccess: () => {
      setSignedOut(true);
      client.clear();
      void navigate('/sign-in');
    },
  });
  useShortcuts(
    useMemo(
      () => ({
        '?': () => setPanel('keys'),
        u: () => setPanel('units'),
        j: () => void navigate('/'),
        v: () => void navigate('/vehicles'),
        n: () => void navigate('/jobs/new'),
        b: () => void navigate('/bench'),
        t: () => void navigate('/bench/threads'),
      }),
      [navigate],
    ),
  );

  if (session.isPending) return <Page aria-busy="true" />;
  if (session.isError) {
    return (
      <Page>
        <LoadProblem error={session.error} onRetry={() => void session.refetch()} />
      </Page>
    );
  }
  const { person } = session.data;
  if (person === null) {
    // Who signs out does not leave the page for the next person to come to.
    const from = hasSignedOut ? '/' : location.pathname + location.search;
    return <Navigate to={`/sign-in${from === '/' ? '' : `?to=${encodeURIComponent(from)}`}`} replace />;
  }
  const section = matches
    .map(
      (match) =>
        match.handle as { readonly section?: { readonly to: string; readonly text: string } } | undefined,
    )
    .find((handle) => handle?.section)?.section;
  const { length, torque, temperature } = person.units;
  return (
    <PersonContext.Provider value={person}>
      <TimeZoneContext.Provider value={session.data.timeZone ?? ownTimeZone()}>
        <CrumbContext.Provider value={setCrumb}>
          <Skip href="#content">Skip to content</Skip>
          <Bar className="no-print">
            <nav aria-label="Main">
              <Brand to="/">Zephyrcombe</Brand>
              {section ? (
                <>
                  <span className="slash" aria-hidden="true">
                    /
                  </span>
                  <Link className="name" to={section.to}>
                    {section.text}
                  </Link>
                </>
              ) : (
                <>
                  <Link to="/vehicles">Vehicles</Link>
                  <Link to="/bench">Bench</Link>
                </>
              )}
              {crumb ? (
                <>
                  <span className="slash" aria-hidden="true">
                    /
                  </span>
                  <span className={section ? 'here' : 'here name'}>{crumb}</span>
                </>
              ) : null}
            </nav>
            <UnitsButton onPress={() => setPanel('units')}>
              <Unseen>Units and paper: </Unseen>
              {UNITS[length].symbol} · {UNITS[torque].symbol}
              <span className="name"> · {UNITS[temperature].symbol}</span>
            </UnitsButton>
            <span className="name">{person.name}</span>
            <KeyButton onPress={() => setPanel('keys')} aria-label="Keys">
              ?
            </KeyButton>
          </Bar>
          <div id="content">
            <Outlet />
          </div>
          <Suspense fallback={null}>
            <SettingsDialog
              isOpen={panel === 'units'}
              onClose={() => setPanel(null)}
              onSignOut={() => signOut.mutate()}
            />
          </Suspense>
          <ShortcutSheet isOpen={panel === 'keys'} onClose={() => setPanel(null)} />
        </CrumbContext.Provider>
      </TimeZoneContext.Provider>
    </PersonContext.Provider>
  );
}

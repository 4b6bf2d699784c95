/** The frame of a page about the shop: its heading, the way to its neighbours, and what it lists once that has come. */
import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { useCrumb } from '../../app/crumb.ts';
import { Head, Page, Stack } from '../../design/layout.ts';
import { ShopLinks } from './ShopLinks.tsx';

interface ShopFrameProps<Data> {
  readonly title: string;
  readonly query: UseQueryResult<Data>;
  readonly children: (data: Data) => ReactNode;
}

export function ShopFrame<Data>({ title, query, children }: ShopFrameProps<Data>) {
  useCrumb(title);
  if (query.isPending) return <Page aria-busy="true" />;
  return (
    <Page>
      {query.isError ? (
        <LoadProblem error={query.error} onRetry={() => void query.refetch()} />
      ) : (
        <Stack $gap={16} style={{ maxWidth: 760 }}>
          <Head>{title}</Head>
          <ShopLinks />
          {children(query.data)}
        </Stack>
      )}
    </Page>
  );
}

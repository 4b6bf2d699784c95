import { useInfiniteQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import type { PagedQuery } from '../../api/queries.ts';
import { Rows } from '../../design/layout.ts';
import { MoreButton } from '../../design/MoreButton.tsx';

interface OlderProps<Item> {
  /** The newest, which came with the page. */
  readonly first: readonly Item[];
  /** Where the list goes on; null where it does not. */
  readonly start: string | null;
  /** What lies behind `start`. */
  readonly list: PagedQuery<Item>;
  readonly children: (item: Item) => ReactNode;
}

/** Rows, and those before them when they are asked for. */
export function Older<Item>({ first, start, list, children }: OlderProps<Item>) {
  const older = useInfiniteQuery({ ...list, enabled: false });
  const rest = older.data?.pages.flatMap((page) => page.items) ?? [];
  if (older.isError) return <LoadProblem error={older.error} onRetry={() => void older.fetchNextPage()} />;
  return (
    <>
      <Rows>{[...first, ...rest].map(children)}</Rows>
      <MoreButton
        list={{
          hasNextPage: older.data ? older.hasNextPage : start !== null,
          isFetchingNextPage: older.isFetching,
          fetchNextPage: older.fetchNextPage,
        }}
      />
    </>
  );
}

import { PlainButton } from './Button.tsx';

/** What this needs of a list that comes a page at a time. */
interface PagedList {
  readonly hasNextPage: boolean;
  readonly isFetchingNextPage: boolean;
  readonly fetchNextPage: () => Promise<unknown>;
}

/** The next page of a long list; nothing when everything is shown. */
export function MoreButton({ list }: { readonly list: PagedList }) {
  if (!list.hasNextPage) return null;
  return (
    <PlainButton
      className="no-print"
      isPending={list.isFetchingNextPage}
      onPress={() => void list.fetchNextPage()}
      style={{ marginTop: 12 }}
    >
      {list.isFetchingNextPage ? 'Loading…' : 'Show more'}
    </PlainButton>
  );
}

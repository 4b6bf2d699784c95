/** What the shop has settled for itself. The lead writes it, everybody reads it. */
import type { Shop } from '@zephyrcombe/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ApiError, RequestOf } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { shopQuery } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useCrumb } from '../../app/crumb.ts';
import { usePerson } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import { Fine, Head, Page, Stack } from '../../design/layout.ts';

export function ShopPage() {
  useCrumb('The shop');
  const query = useQuery(shopQuery);
  if (query.isPending) return <Page aria-busy="true" />;
  if (query.isError) {
    return (
      <Page>
        <LoadProblem error={query.error} onRetry={() => void query.refetch()} />
      </Page>
    );
  }
  return <Rules key={query.data.version} shop={query.data} />;
}

function Rules({ shop }: { readonly shop: Shop }) {
  const client = useQueryClient();
  const isLead = usePerson().role === 'lead';
  const [draft, setDraft, clear] = useDraft(`shop.${shop.version}`, {
    brakeWorkRule: shop.brakeWorkRule,
    address: shop.address,
    phone: shop.phone,
  });
  const isAsSaved =
    draft.brakeWorkRule.trim() === shop.brakeWorkRule &&
    draft.address.trim() === shop.address &&
    draft.phone.trim() === shop.phone;
  const save = useMutation<Shop, ApiError, RequestOf<'editShop'>>({
    mutationFn: (input) => call('editShop', input),
    onSuccess: (next) => {
      clear();
      client.setQueryData(shopQuery.queryKey, next);
      void client.invalidateQueries({ queryKey: ['job'] });
    },
  });
  return (
    <Page>
      <Stack $gap={16} style={{ maxWidth: 680 }}>
        <Head>{shop.name}</Head>
        <TextField
          label="Who may work on brakes here"
          multiline
          value={draft.brakeWorkRule}
          onChange={(brakeWorkRule) => setDraft({ ...draft, brakeWorkRule })}
          isDisabled={!isLead}
        />
        <Fine>
          As your law and your insurer have it. It stands in Look over of every job. Zephyrcombe does not know
          your law.
        </Fine>
        <TextField
          label="Address, as it stands on an order"
          multiline
          value={draft.address}
          onChange={(address) => setDraft({ ...draft, address })}
          isDisabled={!isLead}
        />
        <TextField
          label="Phone"
          value={draft.phone}
          onChange={(phone) => setDraft({ ...draft, phone })}
          isDisabled={!isLead}
        />
        <SaveProblem
          save={save}
          onTakeTheirs={() => void client.invalidateQueries({ queryKey: shopQuery.queryKey })}
        />
        {isLead ? (
          <div>
            <PrimaryButton
              isPending={save.isPending}
              because={isAsSaved ? 'All of it stands as it was saved.' : null}
              onPress={() =>
                save.mutate({
                  body: {
                    version: shop.version,
                    brakeWorkRule: draft.brakeWorkRule.trim(),
                    address: draft.address.trim(),
                    phone: draft.phone.trim(),
                  },
                })
              }
            >
              Save what stands here
            </PrimaryButton>
          </div>
        ) : (
          <Fine>Your lead writes this.</Fine>
        )}
      </Stack>
    </Page>
  );
}

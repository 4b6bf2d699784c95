/** What the shop has settled for itself. The lead writes it, everybody reads it. */
import type { Shop } from '@zephyrcombe/contract';
import { may } from '@zephyrcombe/contract';
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
import { TextField, Tick } from '../../design/fields.tsx';
import { Fine, Head, Page, Stack } from '../../design/layout.ts';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { RecordForm } from '../../design/RecordForm.tsx';
import { ShopLinks } from './ShopLinks.tsx';

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
  const isLead = may(usePerson(), 'keepShop');
  const [draft, setDraft, clear] = useDraft(`shop.${shop.version}`, {
    name: shop.name,
    brakeWorkRule: shop.brakeWorkRule,
    address: shop.address,
    phone: shop.phone,
    namesAtSignIn: shop.namesAtSignIn,
    slack_m: shop.slack_m,
    movementMargin_m: shop.movementMargin_m,
    mostTwist_rad_per_m: shop.mostTwist_rad_per_m,
    fluidIntervalMonths: String(shop.fluidIntervalMonths),
    fluidIntervalDistance_m: shop.fluidIntervalDistance_m,
  });
  const months = /^\d{1,3}$/.test(draft.fluidIntervalMonths.trim())
    ? Number(draft.fluidIntervalMonths)
    : Number.NaN;
  const areMonths = months >= 1 && months <= 120;
  const isAsSaved =
    draft.name.trim() === shop.name &&
    draft.namesAtSignIn === shop.namesAtSignIn &&
    draft.slack_m === shop.slack_m &&
    draft.movementMargin_m === shop.movementMargin_m &&
    draft.mostTwist_rad_per_m === shop.mostTwist_rad_per_m &&
    months === shop.fluidIntervalMonths &&
    draft.fluidIntervalDistance_m === shop.fluidIntervalDistance_m &&
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
  const send = () =>
    save.mutate({
      body: {
        version: shop.version,
        name: draft.name.trim(),
        namesAtSignIn: draft.namesAtSignIn,
        slack_m: draft.slack_m,
        movementMargin_m: draft.movementMargin_m,
        mostTwist_rad_per_m: draft.mostTwist_rad_per_m,
        fluidIntervalMonths: months,
        fluidIntervalDistance_m: draft.fluidIntervalDistance_m,
        brakeWorkRule: draft.brakeWorkRule.trim(),
        address: draft.address.trim(),
        phone: draft.phone.trim(),
      },
    });
  return (
    <Page>
      <Stack $gap={16} style={{ maxWidth: 680 }}>
        <Head>{shop.name}</Head>
        <ShopLinks />
        <RecordForm saves={[save]} onSend={send}>
          {isLead ? (
            <TextField
              label="Name of the shop"
              name="name"
              value={draft.name}
              onChange={(name) => setDraft({ ...draft, name })}
            />
          ) : null}
          <TextField
            label="Who may work on brakes here"
            name="brakeWorkRule"
            multiline
            value={draft.brakeWorkRule}
            onChange={(brakeWorkRule) => setDraft({ ...draft, brakeWorkRule })}
            isDisabled={!isLead}
          />
          <Fine>
            As your law and your insurer have it. It stands in Look over of every job. Zephyrcombe does not
            know your law.
          </Fine>
          <TextField
            label="Address, as it stands on an order"
            name="address"
            multiline
            value={draft.address}
            onChange={(address) => setDraft({ ...draft, address })}
            isDisabled={!isLead}
          />
          <TextField
            label="Phone"
            name="phone"
            value={draft.phone}
            onChange={(phone) => setDraft({ ...draft, phone })}
            isDisabled={!isLead}
          />
          {isLead ? (
            <>
              <TextField
                label="Months between fluid services, where the vehicle maker asks for no fewer"
                name="fluidIntervalMonths"
                value={draft.fluidIntervalMonths}
                onChange={(fluidIntervalMonths) => setDraft({ ...draft, fluidIntervalMonths })}
                error={areMonths ? null : 'A number of months from 1 to 120.'}
              />
              <QuantityEntry
                label="Distance between fluid services (may stay empty)"
                kind="distance"
                value_SI={draft.fluidIntervalDistance_m}
                onValue={(fluidIntervalDistance_m) => setDraft({ ...draft, fluidIntervalDistance_m })}
                mayBeEmpty
              />
              <QuantityEntry
                label="Slack over the longest pose"
                kind="length"
                value_SI={draft.slack_m}
                onValue={(slack_m) => (slack_m === null ? undefined : setDraft({ ...draft, slack_m }))}
              />
              <QuantityEntry
                label="Nearer than drawn by this, a moving hose opens its length again"
                kind="length"
                value_SI={draft.movementMargin_m}
                allowZero
                ask={(value_m) => (value_m > 0.1 ? 'At most 100 mm.' : null)}
                onValue={(movementMargin_m) => setDraft({ ...draft, movementMargin_m })}
              />
              <QuantityEntry
                label="Most twist of a hose in one metre, by its stripe"
                kind="angle"
                value_SI={draft.mostTwist_rad_per_m}
                ask={(value_rad) => (value_rad > Math.PI / 6 ? 'At most 30°.' : null)}
                onValue={(mostTwist_rad_per_m) => setDraft({ ...draft, mostTwist_rad_per_m })}
              />
              <Fine>
                A new book starts with our defaults for these five: common practice, no published source.
              </Fine>
              <Tick
                isSelected={draft.namesAtSignIn}
                onChange={(namesAtSignIn) => setDraft({ ...draft, namesAtSignIn })}
              >
                The sign-in page shows the names of those who work here
              </Tick>
            </>
          ) : null}
          <SaveProblem
            save={save}
            onTakeTheirs={() => void client.invalidateQueries({ queryKey: shopQuery.queryKey })}
          />
          {isLead ? (
            <div>
              <PrimaryButton
                type="submit"
                isPending={save.isPending}
                because={
                  isAsSaved
                    ? 'All of it stands as it was saved.'
                    : draft.name.trim() === ''
                      ? 'The shop needs a name.'
                      : areMonths
                        ? null
                        : 'Months from 1 to 120.'
                }
              >
                Save what stands here
              </PrimaryButton>
            </div>
          ) : (
            <Fine>Your lead writes this.</Fine>
          )}
        </RecordForm>
      </Stack>
    </Page>
  );
}

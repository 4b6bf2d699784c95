/** A job that is signed off: its fluid records, each with what is due next. */
import type { FluidService } from '@zephyrcombe/contract';
import { OUTFLOW_NAMES } from '@zephyrcombe/messages';
import { nextDue } from '@zephyrcombe/core';
import { Link } from 'react-router';
import { useWriter } from '../../app/SessionContext.ts';
import { Columns, Fine, Hero, Label, Rows, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { Working } from '../../quantities/Working.tsx';
import { useJob } from '../job/JobContext.ts';
import { Reasons } from './Reasons.tsx';

export function SignedOff({ services }: { readonly services: readonly FluidService[] }) {
  const { job, reasons } = useJob();
  const write = useWriter();
  const [first] = services;
  if (!first) return null;
  const due = nextDue(first.servicedOn, first.distance_m, first);
  return (
    <Columns>
      <Stack $gap={16}>
        {services.map((service) => (
          <Sheet key={service.id}>
            <SheetTitle>
              {services.length > 1
                ? `Service record: ${service.circuitName.toLowerCase()}`
                : 'Service record'}
            </SheetTitle>
            <Rows>
              {serviceRows(service, write).map(([label, value]) => (
                <Spread key={label}>
                  <Label>{label}</Label>
                  <span>{value}</span>
                </Spread>
              ))}
            </Rows>
          </Sheet>
        ))}
        {reasons.length === 0 ? null : (
          <Sheet>
            <SheetTitle>Stops that were answered</SheetTitle>
            <Reasons reasons={reasons} />
          </Sheet>
        )}
      </Stack>
      <Stack>
        <div>
          <Label>Fluid due again</Label>
          <Hero>
            <span style={{ fontSize: 27 }}>{write.date(first.dueOn)}</span>
          </Hero>
          <Spread>
            <Fine>
              {first.dueDistance_m === null
                ? 'by date alone'
                : `or at ${write.distance(first.dueDistance_m)}, whichever comes first`}
            </Fine>
            {due.ok ? <Working of="next due" result={due} /> : null}
          </Spread>
        </div>
        <Notice severity="note" title={`Signed off by ${job.signedBy ?? first.by}`}>
          <p>{write.date(job.finishedOn ?? first.servicedOn)}. A signed record is not changed.</p>
        </Notice>
        <Link to={`/jobs/${job.id}/handover-sheet`}>Handover sheet to print</Link>
        <Link to={`/jobs/${job.id}/log`}>The job’s log</Link>
      </Stack>
    </Columns>
  );
}

/** The service record as label and value, for screen and paper. */
export function serviceRows(
  service: FluidService,
  write: ReturnType<typeof useWriter>,
): readonly (readonly [string, string])[] {
  return [
    ['Serviced on', write.date(service.servicedOn)],
    ['Circuit', service.circuitName],
    ['Distance', service.distance_m === null ? 'not recorded' : write.distance(service.distance_m)],
    ['Fluid', `${service.grade}, batch ${service.batch === '' ? 'not recorded' : service.batch}`],
    ['Bottle opened', service.bottleOpenedOn === null ? 'not recorded' : write.date(service.bottleOpenedOn)],
    ['Quantity', service.quantity_m3 === null ? 'not recorded' : write.volume(service.quantity_m3)],
    [
      'Old fluid',
      [
        service.oldColour ? OUTFLOW_NAMES[service.oldColour] : 'colour not noted',
        service.oldWaterFraction === null
          ? 'water not measured'
          : `${write.fraction(service.oldWaterFraction)} water`,
      ].join(', '),
    ],
    [
      'Interval',
      `${service.intervalMonths} months${service.intervalDistance_m === null ? '' : ` or ${write.distance(service.intervalDistance_m)}`}`,
    ],
    ['Done by', service.by],
  ];
}
